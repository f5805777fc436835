import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import FirstSteps from './FirstSteps.vue'

describe('what an empty studio offers', () => {
  it('is a fold, a worked class, and what the shelf is enough for', async () => {
    const shown = await mountSuspended(FirstSteps)
    expect(shown.findAll('a').map(link => link.attributes('href'))).toEqual(['/folds', '/teach'])
    expect(shown.findAll('path.panel').length).toBeGreaterThan(6)
    const [worked, empty] = shown.findAll('button')
    await worked!.trigger('click')
    await empty!.trigger('click')
    expect([shown.emitted('example')?.length, shown.emitted('empty')?.length]).toEqual([1, 1])
  })
})
