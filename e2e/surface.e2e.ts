/** The text surface under scripts, input methods and odd text: what is shown is what the track says, and the server has it. */
import { caption, type Caption } from '../core/model/caption.ts';
import {
  caretAt,
  control,
  devTools,
  eventually,
  holding,
  Key,
  lines,
  press,
  see,
  type,
  saved,
} from './support/browser.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { withApplication } from './support/application.ts';

const app = withApplication();
let track: string;
const texts = ['القناة مغلقة\nحتى الصباح', '水門が開きます', 'plain words', 'last one'];

const ask = asking(() => app.services.address);
const kept = async (): Promise<string[]> => {
  await saved(app.driver);
  return (await captionsOf(ask, track)).map((c) => c.text);
};

beforeAll(async () => {
  const captions: Caption[] = texts.map((text, i) =>
    caption({ id: `c${String(i)}`, start: i * 3000, end: i * 3000 + 2500, text }),
  );
  const made = await jobWith(ask, 'Many scripts', captions, { language: 'ar' });
  track = made.track;
  await app.driver.get(`${app.services.address}/jobs/${made.job}/words`);
  await see(app.driver, '.cm-line');
});

it('shows right-to-left captions from the right, and counts what a reader sees', async () => {
  const wanted = texts.join('\n').split('\n').join();
  await eventually(app.driver, 'the lines', async () => (await lines(app.driver)).join() === wanted);
  const direction = await app.driver.executeScript<string>(
    'return getComputedStyle(document.querySelector(".cm-line")).direction',
  );
  expect(direction).toBe('rtl');
  await eventually(app.driver, 'the length of its first line', () =>
    app.driver.executeScript<boolean>('return /^12\\s/.test(document.querySelector(".margin-figures")?.textContent)'),
  );
});

it('reads right-to-left captions as running text, from the right, and edits them there', async () => {
  await control(app.driver, 'r', true);
  await see(app.driver, '.sign-line');
  const paragraph = await app.driver.executeScript<{ direction: string; text: string; sign: number; first: number }>(
    `const line = document.querySelector('.cm-line');
     const at = (from, to) => { const range = document.createRange(); range.setStart(from, 0); range.setEnd(from, to); return range.getBoundingClientRect().left; };
     return { direction: getComputedStyle(line).direction, text: line.textContent,
       sign: line.querySelector('.sign-line').getBoundingClientRect().left, first: at(line.firstChild.firstChild ?? line.firstChild, 1) };`,
  );
  expect(paragraph.direction).toBe('rtl');
  expect(paragraph.text.startsWith('القناة مغلقة حتى الصباح')).toBe(true);
  // The first letter stands at the right, and where the line broke further left.
  expect(paragraph.sign).toBeLessThan(paragraph.first);
  await caretAt(app.driver, 'القناة', 'after');
  await type(app.driver, 'x');
  await eventually(app.driver, 'the letter', async () => (await kept())[0] === 'القناةx مغلقة\nحتى الصباح');
  await control(app.driver, 'z');
  await eventually(app.driver, 'it back', async () => (await kept())[0] === texts[0]);
  await control(app.driver, 'r', true);
  await eventually(app.driver, 'the lines', async () => (await lines(app.driver)).length === 5);
});

it('takes text from an input method while it composes, as one step', async () => {
  await caretAt(app.driver, '開きます', 'after');
  for (const text of ['n', 'に', 'にほ', '日本']) {
    await devTools(app.driver, 'Input.imeSetComposition', {
      text,
      selectionStart: text.length,
      selectionEnd: text.length,
    });
  }
  await devTools(app.driver, 'Input.insertText', { text: '日本' });
  await eventually(app.driver, 'the composed text', async () =>
    (await lines(app.driver)).includes('水門が開きます日本'),
  );
  expect((await kept())[1]).toBe('水門が開きます日本');
});

it('lets somebody else’s change wait until the composing is done, and loses neither', async () => {
  await caretAt(app.driver, '水門', 'before');
  await devTools(app.driver, 'Input.imeSetComposition', { text: 'よ', selectionStart: 1, selectionEnd: 1 });
  const { edit } = await ask('GET /api/tracks/:id', { params: { id: track } });
  const other = { type: 'splice', id: 'c1', from: 0, to: 2, insert: '閘門' } as const;
  await ask('POST /api/tracks/:id/edits', { params: { id: track }, body: { id: 'other', base: edit, edits: [other] } });
  await devTools(app.driver, 'Input.imeSetComposition', { text: '夜', selectionStart: 1, selectionEnd: 1 });
  expect((await lines(app.driver)).some((l) => l.startsWith('夜水門'))).toBe(true);
  await devTools(app.driver, 'Input.insertText', { text: '夜の' });
  await eventually(app.driver, 'both changes', async () => {
    const line = (await lines(app.driver)).find((l) => l.includes('開きます')) ?? '';
    return line.includes('夜の') && line.includes('閘門');
  });
  const now = (await kept())[1] ?? '';
  expect(now).toContain('夜の');
  expect(now).toContain('閘門');
  await type(app.driver, Key.END);
});

it('takes emoji and pasted lines, and takes them back one step at a time', async () => {
  await caretAt(app.driver, 'plain', 'after');
  await devTools(app.driver, 'Input.insertText', { text: ' 👩‍👩‍👧‍👦' });
  await eventually(app.driver, 'the family', async () => (await lines(app.driver)).includes('plain 👩‍👩‍👧‍👦 words'));
  await control(app.driver, Key.END);
  await app.driver.executeScript(`const data = new DataTransfer(); data.setData('text/plain', ' and\\r\\nmore');
    document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`);
  await eventually(
    app.driver,
    'the pasted lines',
    async () => (await lines(app.driver)).slice(-2).join('|') === 'last one and|more',
  );
  expect((await kept())[3]).toBe('last one and\nmore');
  await control(app.driver, 'z');
  await eventually(app.driver, 'the paste taken back', async () => (await lines(app.driver)).at(-1) === 'last one');
});

it('takes scripts whose letters combine, and deletes what a reader takes for one letter', async () => {
  await caretAt(app.driver, 'last', 'after');
  await devTools(app.driver, 'Input.insertText', { text: ' नमस्ते' });
  await eventually(app.driver, 'the greeting', async () => (await kept())[3] === 'last नमस्ते one');
  await type(app.driver, Key.BACK_SPACE);
  // The cluster “स्ते” is one letter to a reader (Unicode Standard Annex 29, extended grapheme clusters).
  await eventually(app.driver, 'one letter less', async () => {
    const now = (await kept())[3] ?? '';
    return now !== 'last नमस्ते one' && now.startsWith('last नम') && !/[\u093e-\u094d](?= one)/.test(now);
  });
  await control(app.driver, 'z');
  await control(app.driver, 'z');
  await eventually(app.driver, 'all of it back', async () => (await kept())[3] === 'last one');
});

it('selects over captions and types over them without leaving the track and the page apart', async () => {
  await caretAt(app.driver, 'plain', 'before');
  await holding(app.driver, [Key.CONTROL, Key.SHIFT], Key.END);
  await type(app.driver, 'new');
  await eventually(app.driver, 'the words typed over', async () => (await lines(app.driver)).at(-1) === 'new');
  expect((await kept()).slice(-1)).toEqual(['new']);
  expect(await kept()).toHaveLength(3);
  await control(app.driver, 'z');
  await control(app.driver, 'z');
  await eventually(app.driver, 'all of it back', async () => (await lines(app.driver)).at(-1) === 'last one');
  expect((await kept()).length).toBe(4);
});

it('is written from nothing where a track is empty: a first caption, then pasted lines', async () => {
  const made = await jobWith(ask, 'Empty basin', []);
  track = made.track;
  await app.driver.get(`${app.services.address}/jobs/${made.job}/words`);
  await press(app.driver, 'Write the first caption');
  await see(app.driver, '.cm-line');
  await type(app.driver, 'the basin is empty');
  await eventually(app.driver, 'the caption', async () => (await kept())[0] === 'the basin is empty');
  await type(app.driver, Key.END);
  await app.driver.executeScript(
    `const data = new DataTransfer(); data.setData('text/plain', '\\nthe gates are open\\n\\nand nobody comes by\\n\\nuntil the morning');
     document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
  );
  await eventually(app.driver, 'captions of the lines', async () => (await kept()).length > 1);
  expect((await kept()).join(' ').replace(/\s+/g, ' ')).toBe(
    'the basin is empty the gates are open and nobody comes by until the morning',
  );
});
