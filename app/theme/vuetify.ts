import { defineVuetifyConfiguration } from 'vuetify-nuxt-module/custom-configuration'

export default defineVuetifyConfiguration({
  icons: { defaultSet: 'mdi-svg' },
  theme: {
    defaultTheme: 'night',
    themes: {
      night: {
        dark: true,
        colors: { 'background': '#15161B', 'surface': '#1C1E25', 'surface-variant': '#262933', 'primary': '#8FD3C8', 'secondary': '#FFD98A', 'error': '#ECE8DF', 'on-surface': '#ECE8DF', 'on-background': '#ECE8DF' },
      },
    },
  },
  defaults: {
    global: { ripple: false },
    VTextField: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VSelect: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VAutocomplete: { variant: 'outlined', density: 'compact', hideDetails: 'auto' },
    VDialog: { maxWidth: 640 },
  },
})
