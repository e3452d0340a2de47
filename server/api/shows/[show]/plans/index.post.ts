import { array, mixed, number, string } from 'yup'
import { type Edit, checkTransaction } from '#core/document'

const envelope = titled.shape({
  from: string()
    .matches(/^[a-z0-9-]{1,64}$/, 'the id of a plan')
    .required('the plan that it begins as'),
  base: number().integer('a whole number').min(0, 'a revision from 0').required('the revision that it begins as'),
  edits: array(mixed()).max(5000, 'at most 5000 edits').required('a list of edits, which may be empty'),
})

export default defineEventHandler(async event => {
  const { title, from, base, edits } = await readEnvelope(event, envelope)
  // Edits have the shape of a transaction's.
  const shaped = edits.length ? checkTransaction({ client: 'plan', seq: 1, title, edits }) : undefined
  if (shaped && !shaped.ok) throw refused(shaped.problem)
  const begun = await (
    await useStore()
  ).beginPlan(idParam(event, 'show'), {
    title,
    from,
    base,
    edits: edits as Edit[],
  })
  switch (begun.outcome) {
    case 'begun':
      setResponseStatus(event, 201)
      return { id: begun.id }
    case 'behind':
      throw fail(409, 'The plan has moved on since.', { code: 'behind', revision: begun.revision, newer: [] })
    case 'refused':
      throw refused(begun.problem)
    case 'missing':
      throw noPlan()
  }
})
