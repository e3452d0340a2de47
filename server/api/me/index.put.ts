import { object, string } from 'yup'

const envelope = object({
  name: string()
    .defined('a name, which may be empty')
    .trim()
    .max(40, 'at most 40 characters')
    .matches(/^[^\u0000-\u001f\u007f]*$/, 'text without control characters'),
})

/** What the person at this browser calls themselves: it stands with what they write from now on. */
export default defineEventHandler(async event => {
  const { name } = await readEnvelope(event, envelope)
  setName(event, name)
  return { name }
})
