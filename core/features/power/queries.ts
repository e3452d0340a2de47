import { powered } from '#core/document'
import { type Checked, receiverEdits } from '#core/propose'
import { circuitsFact } from './circuits'
import { enduranceOf } from './endurance'
import { layByPlace } from './lay'
import { closingsOf } from './inrush'
import { distributionsOf } from './phases'
import { poeOf } from './poe'
import { swapsOf } from './swaps'

export const QUERIES = {
  poe: ({ traced }: Checked) => poeOf(traced).switches,
  receivers: ({ traced }: Checked, device: string) => receiverEdits(traced, device),
  laid: ({ traced }: Checked) => layByPlace(traced),
  circuits: ({ traced }: Checked) => ({
    ...traced.ask(circuitsFact),
    distributions: distributionsOf(traced),
    closings: closingsOf(traced),
  }),
  endurance: ({ traced }: Checked) => ({
    devices: enduranceOf(traced),
    swaps: Object.fromEntries(enduranceOf(traced).map(({ device }) => [device, swapsOf(traced, device)])),
    /** From switching on to the end of the show; absent until the brief says both. */
    on: powered(traced.plan.brief),
  }),
}
