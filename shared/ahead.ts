/** What a page of a plan may begin before its program is there. Names of files under `_nuxt/`. */
export interface Ahead {
  readonly checker: string | undefined
  /** By screen: the modules and the styles that it is made of. */
  readonly screens: Readonly<
    Record<string, { readonly modules: readonly string[]; readonly styles: readonly string[] }>
  >
}

/** The words that the page says to the worker when the plan is there: it judges it while the program is still read. */
export interface SaidAhead {
  readonly ahead: string
}

/** Screens that show nothing but the verdict, which comes with the plan: their first picture waits for no worker. */
const SHOWN_FROM_VERDICT: readonly string[] = ['runs']

const PLAN = /^\/shows\/([a-z0-9-]+)\/([a-z0-9-]+)\/([a-z0-9-]+)$/

/**
 * What goes into the head of the page at this path, or nothing: the worker and the plan are asked for at once, side by
 * side with the program, and the modules of the screen with them.
 */
export function headAhead(path: string, { checker, screens }: Ahead): string {
  const [, show, plan, screen] = PLAN.exec(path) ?? []
  if (show === undefined || plan === undefined || screen === undefined || checker === undefined) return ''
  const { modules = [], styles = [] } = Object.hasOwn(screens, screen) ? screens[screen]! : {}
  const worker = SHOWN_FROM_VERDICT.includes(screen)
    ? 'undefined'
    : `new Worker('/_nuxt/${checker}',{type:'module',name:'check'})`
  // The browser asks for few things at once: worker and plan go first, since they have the longest way before them.
  const begin = `(function(m){try{var k=localStorage.getItem('interlumen:client'),p='/shows/'+m[1]+'/plans/'+m[2]+(k?'?client='+k:''),w=${worker};window.interlumenAhead={checker:w,path:p,answer:fetch('/api'+p+(k?'&':'?')+'judged').then(function(r){return r.text().then(function(t){if(w&&r.ok)w.postMessage({ahead:t});return new Response(t,{status:r.status})})})};window.interlumenAhead.answer.catch(function(){})}catch(e){}})(${String(PLAN)}.exec(location.pathname));`
  const modules_ = `${JSON.stringify(modules)}.forEach(function(f){var l=document.createElement('link');l.rel='modulepreload';l.href='/_nuxt/'+f;document.head.appendChild(l)});`
  const styles_ = styles.map(file => `<link rel="stylesheet" href="/_nuxt/${file}" crossorigin>`).join('')
  return `<script>${begin}${modules_}</script>${styles_}`
}
