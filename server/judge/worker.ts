/// <reference path="./comlink-node.d.ts" />
import { parentPort } from 'node:worker_threads'
import { expose } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { WORK } from './work'

if (parentPort) expose(WORK, nodeEndpoint(parentPort))
