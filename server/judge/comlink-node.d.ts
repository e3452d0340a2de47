/** The adapter comes without types beside its module form. */
declare module 'comlink/dist/esm/node-adapter.mjs' {
  import type { Endpoint } from 'comlink'
  import type { MessagePort, Worker } from 'node:worker_threads'

  export default function nodeEndpoint(of: MessagePort | Worker): Endpoint
}
