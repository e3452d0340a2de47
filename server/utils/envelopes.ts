import { object, string } from 'yup'

/** The body that names a show. */
export const titled = object({
  title: string()
    .trim()
    .required('a title')
    .max(120, 'a title of at most 120 characters')
    .matches(/^[^\u0000-\u001f\u007f]+$/, 'text without control characters'),
})
