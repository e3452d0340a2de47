// The screens are named by what is made from the code, and not opened.
declare module '*.vue' {
  import type { Component } from 'vue'

  const component: Component
  export default component
}
