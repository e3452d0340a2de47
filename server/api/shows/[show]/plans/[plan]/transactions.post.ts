import { array, mixed, number, object } from 'yup'
import { type Transaction, checkTransaction } from '#core/document'

const envelope = object({
  base: number()
    .integer('a whole number')
    .min(0, 'a revision from 0')
    .required('the revision that the transactions were made on'),
  transactions: array(mixed())
    .min(1, 'at least one transaction')
    .max(500, 'at most 500 transactions')
    .required('a list of transactions'),
})

export default defineEventHandler(async event => {
  const { base, transactions } = await readEnvelope(event, envelope)
  // Who writes is what this browser told the server, whatever stands in the transaction.
  const who = nameOf(event)
  const checked = transactions.map((transaction, i): Transaction => {
    const outcome = checkTransaction(transaction)
    if (!outcome.ok) throw refused({ ...outcome.problem, path: `/transactions/${i}${outcome.problem.path}` })
    const { who: _, ...told } = outcome.value
    return who === undefined ? told : { ...told, who }
  })
  const [show, plan] = [idParam(event, 'show'), idParam(event, 'plan')]
  const written = await (await useStore()).write(show, plan, base, checked)
  if (written.outcome === 'written' && written.fresh.length) announce(show, plan, written.fresh)
  switch (written.outcome) {
    case 'written':
      return { revision: written.revision, accepted: written.accepted }
    case 'behind':
      throw fail(409, 'The plan has moved on since.', {
        code: 'behind',
        revision: written.revision,
        newer: written.newer,
      })
    case 'refused':
      throw refused(written.problem)
    case 'missing':
      throw noPlan()
  }
})
