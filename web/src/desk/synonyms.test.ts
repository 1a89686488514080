import { expect, it } from 'vitest'
import { plainWords } from './synonyms'

it('finds what the trade calls otherwise', () => {
  expect(plainWords('Another project')).toContain('new project')
  expect(plainWords('Hold the frame at the playhead')).toContain('freeze')
  expect(plainWords('Hand back: save the list')).toMatch(/export.*edl/)
  expect(plainWords('Insert …')).toContain('put in between')
  expect(plainWords('Take out')).toContain('delete')
  expect(plainWords('Split at the playhead')).not.toContain('put in between')
})
