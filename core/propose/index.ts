export { type Addition, additionEdits, removalEdits } from './addition'
export { type Changeable, type Choice, choicesFor } from './choices'
export { copyRun, copyTargets } from './copy'
export { Draft, seeded } from './draft'
export { entryEdits, readEntry } from './entry'
export {
  feedInto,
  feedOf,
  feedSink,
  outputsAreFull,
  ownersOf,
  runFor,
  broughtBy,
  isOneSource,
  runsTo,
  unfedWants,
} from './feeding'
export {
  addSink,
  feederSwitcher,
  firstSwitchers,
  excessSources,
  idleSources,
  largerSwitcher,
  moreInputs,
  moreOutputs,
  swapSwitcher,
  switchersOf,
} from './grow'
export {
  betterControl,
  connectControl,
  connectTo,
  direct,
  feedChoices,
  formatsTaken,
  freeInputs,
  freeOutputs,
  freeSockets,
  joinControl,
  loopsBehind,
  moveInput,
  offerWays,
  otherControl,
  otherStandards,
  replaceDevice,
  setFormat,
  setSender,
  setTrait,
  shorterPieces,
  signalAt,
  spanOf,
  splitOff,
  swapBox,
  swapSource,
  throughDevices,
  waysFor,
  waysReaching,
} from './offers'
export { followAcross, followInputs } from './follow'
export { isRadio, swapRadio } from './radio'
export { receiverEdits } from './receivers'
export {
  type Effect,
  type Remedy,
  effectOf,
  plainEffect,
  remediesOf,
  touchesPinned,
  tryEdits,
  type Tried,
} from './remedy'
export { after, removeRun } from './removal'
export { type Checked, type CommandContext, type Proposal, type Rule, feature, rule } from './rule'
export { type Beginning, type Candidate, type Limits, portKey, searcher, startKey, waysBetween } from './search'
export {
  type CameraPicture,
  bringSound,
  cameraPictures,
  embed,
  heardFrom,
  joinSound,
  isPlugged,
  pluggedSounds,
} from './sound'
export {
  type Span,
  type Target,
  adaptersFor,
  allLeads,
  allModels,
  cablesBetween,
  layWay,
  shortTitle,
  wayTitle,
} from './ways'
export { bringControl, hangsOn } from './control'
