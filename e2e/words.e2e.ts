/** Words as a desk: two readings, doubtful words, the same mistake elsewhere, finding and replacing, several captions, keys. */
import type { Caption, Track } from '../core/track/caption.ts';
import type { Job } from '../core/job/job.ts';
import { asking } from './support/ask.ts';
import { withApplication } from './support/application.ts';
import { By, caretAt, control, eventually, Key, lines, press, says, see, type } from './support/browser.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
let track: string;
const kept = async (): Promise<readonly Caption[]> => {
  await says(app.driver, 'All changes kept');
  return (await ask<Track>('GET', `/tracks/${track}`)).captions;
};
const flat = async (): Promise<string> => (await lines(app.driver)).join(' ');
const text = (of: string | RegExp, is = true): Promise<boolean> =>
  eventually(app.driver, `the text ${is ? '' : 'not '}to have ${String(of)}`, async () => {
    const now = await flat();
    return (typeof of === 'string' ? now.includes(of) : of.test(now)) === is;
  });
const selected = (): Promise<string> => app.driver.executeScript<string>('return getSelection().toString()');
const doubtful = async (): Promise<number> => {
  const button = app.driver.findElement(By.xpath('//button[contains(., " doubtful")]'));
  return Number.parseInt(await button.getText(), 10);
};
const paste = (content: string): Promise<undefined> =>
  app.driver.executeScript<undefined>(
    `const data = new DataTransfer(); data.setData('text/plain', arguments[0]);
     document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
    content,
  );
const undone = async (what: string | RegExp, is = true): Promise<void> => {
  await control(app.driver, 'z');
  await text(what, is);
};

beforeAll(async () => {
  const [job] = await ask<Job[]>('GET', '/jobs');
  if (!job) throw new Error('The demo has a job.');
  const whole = await ask<Job>('GET', `/jobs/${job.id}`);
  track = whole.tracks.find((t) => t.kind !== 'machine')?.id ?? '';
  await app.driver.get(`${app.services.address}/jobs/${job.id}/words`);
  await see(app.driver, '.cm-line');
});

describe('two readings', () => {
  it('are one text: the cursor stays on its word, and what is typed in one stands in the other', async () => {
    await caretAt(app.driver, 'lantern', 'before');
    const before = (await lines(app.driver)).length;
    await press(app.driver, 'Running text');
    await see(app.driver, '.sign-caption');
    expect((await lines(app.driver)).length).toBeLessThan(before / 4);
    await type(app.driver, 'red ');
    await text('if the red lantern is read you wait you do not wait why');
    expect((await kept()).find((c) => c.text.includes('lantern'))?.text).toContain('if the red lantern');
    await press(app.driver, 'Line by line');
    await eventually(
      app.driver,
      'the lines',
      async () => (await app.driver.findElements(By.css('.sign-caption'))).length === 0,
    );
    await caretAt(app.driver, 'the red', 'after');
    await undone('red lantern', false);
  });

  it('share in two and join in running text as they do line by line', async () => {
    await press(app.driver, 'Running text');
    const captions = (await kept()).length;
    const marks = async (): Promise<number> => (await app.driver.findElements(By.css('.sign-caption'))).length;
    await see(app.driver, '.sign-caption');
    const signs = await marks();
    await caretAt(app.driver, 'lower grades', 'before');
    await type(app.driver, Key.ENTER);
    await eventually(app.driver, 'one mark more', async () => (await marks()) === signs + 1);
    expect((await kept()).length).toBe(captions + 1);
    await control(app.driver, 'z');
    await eventually(app.driver, 'it taken back', async () => (await marks()) === signs);
    await press(app.driver, 'Line by line');
  });
});

describe('doubtful words', () => {
  it('come up by key with suggestions that number keys take, and the count goes down', async () => {
    await caretAt(app.driver, 'the talon', 'before');
    const before = await doubtful();
    await type(app.driver, Key.F4);
    const choices = await eventually(app.driver, 'suggestions', async () => {
      const found = await app.driver.findElements(By.css('.suggestions button'));
      return found.length > 2 ? Promise.all(found.map((b) => b.getText())) : null;
    });
    expect(await selected()).toBe('talon');
    const [, first = ''] = /^(\S.*?)\s+1$/s.exec(choices[0] ?? '') ?? [];
    expect(first).not.toBe('');
    await type(app.driver, '1');
    await text(`at the ${first} reach`);
    expect(await app.driver.findElements(By.css('.suggestions'))).toEqual([]);
    await eventually(app.driver, 'one less', async () => (await doubtful()) === before - 1);
    await undone('talon');
    await eventually(app.driver, 'as many as before', async () => (await doubtful()) === before);
  });

  it('are kept as they are with 0, and a digit is a digit while nothing is open', async () => {
    const before = await doubtful();
    await caretAt(app.driver, 'welcome', 'before');
    await type(app.driver, Key.F4);
    await see(app.driver, '.suggestions button');
    await type(app.driver, '0');
    await eventually(app.driver, 'one less', async () => (await doubtful()) === before - 1);
    await control(app.driver, 'z');
    await caretAt(app.driver, 'welcome', 'after');
    await type(app.driver, '1');
    await text('welcome1 to');
    await undone('welcome1', false);
    await type(app.driver, Key.F4);
    await see(app.driver, '.suggestions');
    await type(app.driver, Key.ESCAPE);
    await eventually(
      app.driver,
      'them closed',
      async () => (await app.driver.findElements(By.css('.suggestions'))).length === 0,
    );
  });

  it('are as many as the certainty asked for makes them', async () => {
    const before = await doubtful();
    await control(app.driver, 'k');
    await see(app.driver, '.finder-input');
    await type(app.driver, 'all keys', Key.ENTER);
    const below = await see(app.driver, '#way-doubt');
    const choose = (value: string): Promise<void> => below.findElement(By.css(`option[value="${value}"]`)).click();
    await choose('0.7');
    await eventually(app.driver, 'more of them', async () => (await doubtful()) > before);
    await choose('0.25');
    await type(app.driver, Key.ESCAPE);
    await eventually(app.driver, 'the sheet closed', async () => !(await below.isDisplayed()));
    await eventually(app.driver, 'as many as before', async () => (await doubtful()) === before);
  });
});

describe('the same mistake elsewhere', () => {
  it('is offered after a mend, and mended with one key as one step', async () => {
    await caretAt(app.driver, 'why is the land', 'after');
    await control(app.driver, Key.BACK_SPACE);
    await type(app.driver, 'lamp');
    await says(app.driver, /“land” stands in 3 other places/);
    await control(app.driver, 'm');
    await text('are three lamp still');
    await text('land', false);
    await undone('are three land still');
    await text('why is the lamp');
  });

  it('is offered again for a list to choose from', async () => {
    await caretAt(app.driver, 'why is the lamp', 'after');
    await control(app.driver, Key.BACK_SPACE);
    await type(app.driver, 'land');
    await control(app.driver, Key.BACK_SPACE);
    await type(app.driver, 'light');
    await says(app.driver, /other place/);
    await press(app.driver, 'Choose…');
    await see(app.driver, '.places li');
    await press(app.driver, 'Leave everything');
    await press(app.driver, 'Leave them');
    await caretAt(app.driver, 'why is the light', 'after');
    await control(app.driver, Key.BACK_SPACE);
    await type(app.driver, 'land');
  });
});

describe('find and replace', () => {
  const standing = (what: string | RegExp): Promise<boolean> =>
    eventually(app.driver, `“${String(what)}” beside what is looked for`, async () => {
      const now = await app.driver.findElement(By.css('.find-standing')).getText();
      return typeof what === 'string' ? now === what : what.test(now);
    });
  const look = async (of: string): Promise<void> => {
    const input = await see(app.driver, '#find-text');
    await input.sendKeys(Key.chord(Key.CONTROL, 'a'), of);
  };
  const by = async (of: string): Promise<void> =>
    (await see(app.driver, '#find-by')).sendKeys(Key.chord(Key.CONTROL, 'a'), of);

  it('counts as one types, by case, whole words and patterns, and across line breaks', async () => {
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, 'f');
    await look('gate');
    await standing(/^\d+ found$/);
    const parts = Number.parseInt(await app.driver.findElement(By.css('.find-standing')).getText(), 10);
    await press(app.driver, 'Whole words');
    await eventually(app.driver, 'fewer', async () => {
      const now = await app.driver.findElement(By.css('.find-standing')).getText();
      return Number.parseInt(now, 10) < parts;
    });
    await press(app.driver, 'Whole words');
    await look('at the gates before she');
    await standing('1 found');
    await press(app.driver, 'Case');
    await look('At the gates');
    await standing('Nothing found');
    await press(app.driver, 'Case');
    await press(app.driver, 'Pattern');
    await look('(gate');
    await standing(/^This pattern cannot be read: .+\.$/);
    await look('(a+)+$');
    await standing(/found/i);
    await look(String.raw`(\w+) and (\w+)`);
    await standing(/^\d+ found$/);
  });

  it('goes from place to place, replaces one, and all after a list of what will change, as one step', async () => {
    await press(app.driver, 'Pattern');
    await look('keeper');
    await standing(/^\d+ found$/);
    await by('lock keeper');
    await type(app.driver, Key.ENTER);
    await standing(/^1 of \d+$/);
    expect(await (await see(app.driver, '.found-now')).getText()).toBe('keeper');
    await press(app.driver, 'Replace');
    await text('lock keeper');
    await standing(/^\d+ of \d+$/);
    await press(app.driver, 'Replace all…');
    const rows = await eventually(app.driver, 'the list', async () => {
      const found = await app.driver.findElements(By.css('.places li'));
      return found.length > 1 ? found : null;
    });
    await press(app.driver, `Change ${String(rows.length)} places`);
    await says(app.driver, /places were replaced, one step to undo/);
    await text(/(?<!lock )keeper/, false);
    await control(app.driver, 'z');
    await text(/(?<!lock )keeper/);
    await press(app.driver, 'Close');
    await control(app.driver, 'z');
    await text('lock keeper', false);
  });

  it('looks in the selected captions only, where several are selected', async () => {
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, 'f');
    await look('the');
    await standing(/^\d found in the 2 selected captions$/);
    await press(app.driver, 'Close');
  });
});

describe('several captions', () => {
  it('are selected by key and proofed, labelled, joined, deleted, each as one step', async () => {
    const before = await kept();
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, Key.ARROW_DOWN, true);
    await says(app.driver, '2 captions');
    await press(app.driver, 'Proofed');
    await eventually(app.driver, 'two proofed', async () => (await kept()).filter((c) => c.proofed).length === 2);
    await control(app.driver, 'l');
    await (await see(app.driver, '#label-speaker')).sendKeys(Key.chord(Key.CONTROL, 'a'), 'Trainer', Key.ENTER);
    await text('TRAINER: welcome');
    expect((await kept()).filter((c) => c.speakers[0]?.speaker === 'Trainer')).toHaveLength(2);
    await undone('TRAINER:', false);
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, 'j');
    await eventually(app.driver, 'one less', async () => (await kept()).length === before.length - 1);
    await control(app.driver, 'z');
    await eventually(app.driver, 'both back', async () => (await kept()).length === before.length);
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, Key.ARROW_DOWN, true);
    await press(app.driver, 'Delete');
    await eventually(app.driver, 'both gone', async () => (await kept()).length === before.length - 2);
    await control(app.driver, 'z');
    await eventually(app.driver, 'both back', async () => (await kept()).length === before.length);
  });

  it('are shifted together, and kept while all others go', async () => {
    const before = await kept();
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, Key.ARROW_DOWN, true);
    await press(app.driver, 'Shift…');
    await (await see(app.driver, '#shift-by')).sendKeys('-0,4', Key.ENTER);
    await eventually(
      app.driver,
      'them earlier',
      async () => (await kept())[0]?.start === (before[0]?.start ?? 0) - 400,
    );
    expect((await kept())[1]?.start).toBe((before[1]?.start ?? 0) - 400);
    expect((await kept())[2]?.start).toBe(before[2]?.start);
    await control(app.driver, 'z');
    await eventually(app.driver, 'them back', async () => (await kept())[0]?.start === before[0]?.start);
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, Key.ARROW_DOWN, true);
    await press(app.driver, 'Keep only these');
    await eventually(app.driver, 'two left', async () => (await kept()).length === 2);
    await control(app.driver, 'z');
    await eventually(app.driver, 'all back', async () => (await kept()).length === before.length);
  });
});

describe('writing', () => {
  it('gives words to a neighbour by key, with the time they were said in', async () => {
    const before = await kept();
    await caretAt(app.driver, 'welcome', 'before');
    await app.driver
      .actions()
      .keyDown(Key.ALT)
      .keyDown(Key.SHIFT)
      .sendKeys(Key.ARROW_DOWN)
      .keyUp(Key.SHIFT)
      .keyUp(Key.ALT)
      .perform();
    await text('school and three and');
    const [first, second] = await kept();
    expect([first?.text, second?.text.startsWith('school')]).toEqual(['welcome to night', true]);
    const school = before[0]?.words.find((w) => w[6] === 'school');
    expect(second?.start).toBe(school?.[2]);
    await control(app.driver, 'z');
    await eventually(app.driver, 'it back', async () => (await kept())[0]?.text === before[0]?.text);
  });

  it('marks words italic by key, and takes it away again', async () => {
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_RIGHT, true);
    await control(app.driver, 'i');
    await see(app.driver, '.mark-italic');
    expect((await kept())[0]?.marks[0]?.kind).toBe('italic');
    await control(app.driver, 'i');
    await eventually(app.driver, 'no italics', async () => (await kept())[0]?.marks.length === 0);
  });

  it('makes captions of many pasted lines, leaves control characters out, and refuses what is a file', async () => {
    const before = await kept();
    await caretAt(app.driver, 'welcome to night', 'after');
    await paste(' one\u0000two\u200b\u202e');
    await text('onetwo');
    await control(app.driver, 'z');
    await text('onetwo', false);
    await caretAt(app.driver, 'night school', 'after');
    await paste('Part three.\nTonight we work\na lock after dark.\n');
    await eventually(app.driver, 'captions of lines', async () => (await kept()).length === before.length + 3);
    expect((await kept()).slice(0, 4).map((c) => c.text)).toEqual([
      'welcome to night school',
      'Part three.',
      'Tonight we work',
      'a lock after dark.',
    ]);
    await control(app.driver, 'z');
    await eventually(app.driver, 'as before', async () => (await kept()).length === before.length);
    await app.driver
      .executeScript<undefined>(`const data = new DataTransfer(); data.setData('text/plain', 'the gate is shut\\n'.repeat(300000));
      document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`);
    await says(app.driver, /The clipboard holds 5,100,000 characters, more than can be pasted at once/);
    expect(await kept()).toEqual(before);
  });

  it('takes the proof back when a caption is changed, unless told otherwise', async () => {
    await caretAt(app.driver, 'never opened', 'before');
    await control(app.driver, Key.ENTER);
    const proofed = async (): Promise<number> => (await kept()).filter((c) => c.proofed).length;
    const before = await proofed();
    await caretAt(app.driver, 'never opened', 'after');
    await type(app.driver, 'x');
    await eventually(app.driver, 'one less', async () => (await proofed()) === before - 1);
    await control(app.driver, 'z');
    await eventually(app.driver, 'as many', async () => (await proofed()) === before);
    await control(app.driver, 'k');
    await see(app.driver, '.finder-input');
    await type(app.driver, 'all keys', Key.ENTER);
    await (await see(app.driver, '#way-proof')).click();
    await type(app.driver, Key.ESCAPE);
    await eventually(
      app.driver,
      'the sheet closed',
      async () => !(await app.driver.findElement(By.css('#way-proof')).isDisplayed()),
    );
    await caretAt(app.driver, 'never opened', 'after');
    await type(app.driver, 'x');
    await text('never openedx');
    expect(await proofed()).toBe(before);
    await undone('openedx', false);
  });

  it('goes to the next caption that is not proofed', async () => {
    await caretAt(app.driver, 'at the gates', 'before');
    await type(app.driver, Key.F9);
    await eventually(app.driver, 'the one after the proofed one', async () =>
      (await app.driver.findElement(By.css('.cm-line.row-cursor')).getText()).startsWith('we keep'),
    );
  });
});
