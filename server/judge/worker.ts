// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- the declaration must be known in every project that reaches this file
/// <reference path="./comlink-node.d.ts" />
import { parentPort } from 'node:worker_threads'
import { expose } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { WORK } from './work'

if (parentPort) expose(WORK, nodeEndpoint(parentPort))
