import { expose, transfer } from 'comlink'
import { readKeptPng } from '#shared/png'
import type { Decoder } from './protocol'

const decoder: Decoder = {
  decode(file) {
    const graphic = readKeptPng(file)
    return transfer(graphic, [graphic.data.buffer])
  },
}

expose(decoder)
