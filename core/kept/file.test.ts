import { describe, expect, it } from 'vitest'
import { PLANS_FORMAT, PlansWriter, keptId, keptOf, keptText, readPlansFile } from '.'

describe('a file of plans', () => {
  const writer = new PlansWriter('planner 7')
  writer.note('plans', 'kelp', [{ layouts: [], sheets: 3 }])
  writer.note('together', 'all', new Map([['kelp', 1]]))
  const text = JSON.stringify(writer.file)

  it('comes back as it was found, under what the pages look for', () => {
    const read = readPlansFile(text)
    expect(read.ok && [read.value.format, read.value.planner]).toEqual([PLANS_FORMAT, 'planner 7'])
    const answers = read.ok ? read.value.answers : {}
    expect(keptText(answers[keptId(keptOf('plans', 'planner 7'), 'kelp')]!)).toEqual([{ layouts: [], sheets: 3 }])
    expect(keptText(answers[keptId(keptOf('together', 'planner 7'), 'all')]!)).toEqual(new Map([['kelp', 1]]))
    expect(Object.keys(answers)).toHaveLength(2)
  })

  it('leaves out what is longer than anybody keeps', () => {
    const long = new PlansWriter('planner 7')
    long.note('plans', 'long', 'x'.repeat(1_000_001))
    expect(long.file.answers).toEqual({})
  })

  const id = 'a'.repeat(43)
  it.each([
    ['no JSON', 'plans', /^It is not JSON/],
    ['a class', '{"format":"wakaru-batch"}', /^It is no file of plans/],
    ['a list', '[]', /^It is no file of plans/],
    ['nobody’s plans', `{"format":"${PLANS_FORMAT}","answers":{}}`, /lacks “planner”/],
    ['no answers', `{"format":"${PLANS_FORMAT}","planner":"7","answers":[]}`, /or “answers”/],
    ['another name', `{"format":"${PLANS_FORMAT}","planner":"7","answers":{"kelp":"[]"}}`, /“kelp” is no identifier/],
    ['a number', `{"format":"${PLANS_FORMAT}","planner":"7","answers":{"${id}":7}}`, /is no answer/],
    ['half an answer', `{"format":"${PLANS_FORMAT}","planner":"7","answers":{"${id}":"[["}}`, /is no answer/],
    [
      'too many', JSON.stringify({
        format: PLANS_FORMAT, planner: '7',
        answers: Object.fromEntries(Array.from({ length: 4001 }, (_, at) => [`${at}`, '[]'])),
      }), /It has 4001 answers; at most 4000/,
    ],
  ])('is refused with a reason: %s', (_, wrong, problem) => {
    expect(readPlansFile(wrong)).toEqual({ ok: false, problem: expect.stringMatching(problem) })
  })
})
