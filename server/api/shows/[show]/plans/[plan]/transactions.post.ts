import { array, mixed, number, object, string } from 'yup'
import { type Transaction, checkTransaction } from '#core/document'

const envelope = object({
  base: number()
    .integer('a whole number')
    .min(0, 'a revision from 0')
    .max(MOST_REVISION, `a revision up to ${MOST_REVISION}`)
    .required('the revision that the transactions were made on'),
  head: string().max(120, 'the entry that made that revision'),
  epoch: string().max(64, 'the epoch that the plan was opened under'),
  transactions: array(mixed())
    .min(1, 'at least one transaction')
    .max(500, 'at most 500 transactions')
    .required('a list of transactions'),
})

export default defineEventHandler(async event => {
  const { base, transactions, epoch, head } = await readEnvelope(event, envelope)
  // Who writes is what this browser told the server, whatever stands in the transaction.
  const who = nameOf(event)
  const checked = transactions.map((transaction, i): Transaction => {
    const outcome = checkTransaction(transaction)
    if (!outcome.ok) throw refused({ ...outcome.problem, path: `/transactions/${i}${outcome.problem.path}` })
    const { who: _, ...told } = outcome.value
    return who === undefined ? told : { ...told, who }
  })
  const [show, plan] = [idParam(event, 'show'), idParam(event, 'plan')]
  const store = await useStore()
  const restored = () => fail(409, 'An older state was put in the place of this one.', { code: 'restored' })
  if (epoch !== undefined && epoch !== store.epoch) throw restored()
  const written = await store.write(show, plan, base, checked, head)
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
    case 'ahead':
      throw restored()
    case 'refused':
      throw refused(written.problem)
    case 'missing':
      throw noPlan()
  }
})
