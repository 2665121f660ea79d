import type { Receipt } from '../../../core/job/job.ts';
import type { Work } from '../../../core/job/work.ts';
import { cellState } from './cell-state.ts';

const receipt = (more: Partial<Receipt>): Receipt => ({
  id: 'r',
  track: 't',
  destination: 'q',
  place: 'lock',
  file: 'lock.srt',
  edit: 7,
  state: 'sending',
  reason: null,
  watch: null,
  at: 0,
  ...more,
});
const work = (more: Partial<Work>): Work => ({
  id: 'w',
  kind: 'send-captions',
  subject: 'r',
  job: 'j',
  by: 'server',
  state: 'running',
  progress: 0,
  tries: 1,
  reason: null,
  next: 0,
  made: 0,
  changed: 0,
  ...more,
});

it.each<[string, Receipt | null, Work | null, string, string, string | null]>([
  ['nothing', null, null, 'Nothing sent', '', null],
  [
    'a recording on its way',
    receipt({}),
    work({ kind: 'bring-recording', progress: 0.428 }),
    'The recording is on its way',
    '42 %',
    'stop',
  ],
  [
    'a place that is away',
    receipt({}),
    work({ state: 'waiting', reason: 'It is away.' }),
    'Not sent yet',
    'It is away.',
    'stop',
  ],
  ['what was stopped', receipt({}), work({ state: 'stopped' }), 'Stopped', '', 'again'],
  [
    'what failed',
    receipt({}),
    work({ state: 'failed', reason: 'It was not understood.' }),
    'Not sent',
    'It was not understood.',
    'again',
  ],
  [
    'what is being processed',
    receipt({ state: 'processing' }),
    work({ kind: 'follow-receipt' }),
    'Being processed',
    'edit 7',
    null,
  ],
  [
    'what was refused',
    receipt({ state: 'refused', reason: 'Closed.' }),
    work({ state: 'done' }),
    'Refused',
    'Closed.',
    null,
  ],
  ['what is live', receipt({ state: 'live' }), work({ state: 'done' }), 'Live', 'holds edit 7', null],
  ['what is behind', receipt({ state: 'live', edit: 5 }), null, 'Behind', 'holds edit 5', null],
])('%s is said', (_, held, of, word, more, can) => {
  expect(cellState(held, of, 7)).toMatchObject({ word, more, can });
});
