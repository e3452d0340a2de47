// The screens are named by what is made from the code, and not opened.
declare module '*.vue' {
  const component: import('vue').Component
  export default component
}
