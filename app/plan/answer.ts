import { shallowRef, watch, type ShallowRef } from 'vue'
import type { Answer, QueryArguments, QueryName } from '#core/asked'
import { usePlanStore } from './store'

/**
 * The answer to a question about the plan, asked again whenever the plan or the arguments change; what comes too late
 * is dropped. `args` may give undefined: then nothing is asked. The old answer stays until the new one is there.
 */
export function useAnswer<K extends QueryName>(
  query: K,
  args: () => Readonly<QueryArguments<K>> | undefined,
): ShallowRef<Answer<K> | undefined> {
  const store = usePlanStore()
  const answer = shallowRef<Answer<K>>()
  let asked = 0
  watch(
    [() => store.report?.version, args] as const,
    async ([version, wanted]) => {
      const mine = ++asked
      if (version === undefined || wanted === undefined) return
      const found = await store.ask(query, ...(wanted as QueryArguments<K>))
      if (mine === asked && found !== undefined) answer.value = found
    },
    { immediate: true },
  )
  return answer
}
