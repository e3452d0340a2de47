/** The screens of a plan by the steps of the work, in the order of the work. */
export const STEPS = [
  { title: 'Brief', screens: [{ id: 'brief', title: 'Brief' }] },
  { title: 'Wire', screens: [{ id: 'kit', title: 'Kit' }, { id: 'runs', title: 'Runs' }, { id: 'standard', title: 'Standard' }, { id: 'patch', title: 'Patch' }] },
  { title: 'Prove', screens: [{ id: 'whatif', title: 'What if' }, { id: 'inside', title: 'Inside' }] },
  { title: 'Show day', screens: [{ id: 'papers', title: 'Papers' }] },
] as const

export type ScreenId = (typeof STEPS)[number]['screens'][number]['id']

export const SCREENS = STEPS.flatMap<{ readonly id: ScreenId, readonly title: string }>(({ screens }) => [...screens])

/** The keys that lead to the screens, as the foot says them. */
export const SCREEN_KEYS = `1–${SCREENS.length}`
