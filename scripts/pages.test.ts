import { describe, expect, it } from 'vitest'
import { PAGES, pageNow } from './pages'

describe('what the pages tell of the code', () => {
  it.each(Object.keys(PAGES))('%s is as npm run pages makes it', path => {
    const page = pageNow(path)
    expect(PAGES[path]!(page)).toBe(page)
  })
})
