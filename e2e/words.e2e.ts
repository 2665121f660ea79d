/** Words as a desk: two readings, doubtful words, the same mistake elsewhere, finding and replacing. */
import { caption } from '../core/model/caption.ts';
import { isDoubtful } from '../core/model/doubt.ts';
import { withApplication } from './support/application.ts';
import {
  By,
  caretAt,
  control,
  eventually,
  holding,
  Key,
  lines,
  press,
  says,
  see,
  type,
  pick,
  runCommand,
} from './support/browser.ts';
import { asking } from './support/ask.ts';
import { withDemoDesk } from './support/desk.ts';

const app = withApplication();
const { kept, text, selected, undone } = withDemoDesk(app);
const doubtful = async (): Promise<number> => {
  const button = app.driver.findElement(By.xpath('//button[contains(., " doubtful")]'));
  return Number.parseInt(await button.getText(), 10);
};
/** The number of doubtful words, once the page has counted what there is. */
async function counted(): Promise<number> {
  const all = (await kept()).reduce((n, c) => n + c.words.filter((w) => isDoubtful(c, w, 0.25)).length, 0);
  await eventually(app.driver, `${String(all)} doubtful words`, async () => (await doubtful()) === all);
  return all;
}

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
  it('are heard as they are gone to, with a moment before and after', async () => {
    const at = (): Promise<number> =>
      app.driver.executeScript<number>('return document.querySelector("video").currentTime');
    const word = (await kept())[1]?.words.find((w) => w[6] === 'talon');
    await caretAt(app.driver, 'talon', 'before');
    await type(app.driver, Key.F4);
    await eventually(app.driver, 'the word heard to its end', async () => {
      const paused = await app.driver.executeScript<boolean>('return document.querySelector("video").paused');
      return paused && (await at()) * 1000 >= (word?.[3] ?? Infinity);
    });
    expect((await at()) * 1000).toBeLessThan((word?.[3] ?? 0) + 1500);
    await type(app.driver, Key.ESCAPE);
  });

  it('come up by key with suggestions that number keys take, and the count goes down', async () => {
    await caretAt(app.driver, 'the talon', 'before');
    const before = await counted();
    await type(app.driver, Key.F4);
    const choices = await eventually(app.driver, 'suggestions', async () => {
      const found = await app.driver.findElements(By.css('.suggestions button'));
      return found.length > 2 ? Promise.all(found.map((b) => b.getText())) : null;
    });
    expect(await selected()).toBe('talon');
    const [, first = ''] = /^1\s+(\S.*)$/s.exec(choices[0] ?? '') ?? [];
    expect(first).not.toBe('');
    await type(app.driver, '1');
    await text(`at the ${first} reach`);
    expect(await app.driver.findElements(By.css('.suggestions'))).toEqual([]);
    await eventually(app.driver, 'one less', async () => (await doubtful()) === before - 1);
    await undone('talon');
    await eventually(app.driver, 'as many as before', async () => (await doubtful()) === before);
  });

  it('are kept as they are with 0, and a digit is a digit while nothing is open', async () => {
    const before = await counted();
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

  it('are not the only ones with suggestions: any word at the cursor, or words selected, can be asked about', async () => {
    const before = await counted();
    const asked = async (): Promise<string | null> => {
      await holding(app.driver, [Key.SHIFT], Key.F4);
      await see(app.driver, '.suggestions button');
      return app.driver.findElement(By.css('.suggestions')).getAttribute('aria-label');
    };
    await caretAt(app.driver, 'the lantern', 'after');
    expect(await asked()).toBe('Instead of “lantern”');
    expect(await selected()).toBe('lantern');
    // It was certain: kept, nothing is to be changed.
    await type(app.driver, '0');
    expect(await counted()).toBe(before);
    await caretAt(app.driver, 'the lantern', 'before');
    await holding(app.driver, [Key.SHIFT], ...Array<string>(11).fill(Key.ARROW_RIGHT));
    expect(await asked()).toBe('Instead of “the lantern”');
    const word = await eventually(app.driver, 'a suggestion for both', async () => {
      const [first] = await app.driver.findElements(By.css('.suggestions button'));
      return /^1\s+(\S.*)$/s.exec((await first?.getText()) ?? '')?.[1];
    });
    await type(app.driver, '1');
    await text(`if ${word} is read`);
    await undone('if the lantern is read');
  });

  it('are as many as the certainty asked for makes them', async () => {
    const before = await counted();
    await runCommand(app.driver, 'all keys');
    const sheet = await see(app.driver, '.ways');
    const choose = (part: string): Promise<void> => pick(app.driver, 'A word is doubtful below a certainty of', part);
    await choose('70 %');
    await eventually(app.driver, 'more of them', async () => (await doubtful()) > before);
    await choose('25 %');
    await type(app.driver, Key.ESCAPE);
    await eventually(app.driver, 'the sheet closed', async () => !(await sheet.isDisplayed()));
    await eventually(app.driver, 'as many as before', async () => (await doubtful()) === before);
  });
});

describe('the same mistake elsewhere', () => {
  it('is offered after a mend, and mended with one key as one step', async () => {
    await caretAt(app.driver, 'why is the land', 'after');
    await control(app.driver, Key.BACK_SPACE);
    await type(app.driver, 'lamp');
    await says(app.driver, /“land” also occurs in 3 other places/);
    const top = (): Promise<number> =>
      app.driver.executeScript<number>('return document.querySelector(".cm-scroller").getBoundingClientRect().top');
    const before = await top();
    await control(app.driver, 'm');
    await text('are three lamp still');
    await says(app.driver, '“land” became “lamp” in 3 more places.');
    // What is said of it moves nothing, and goes with the next change.
    expect(await top()).toBe(before);
    await text('land', false);
    await undone('are three land still');
    await text('why is the lamp');
    await says(app.driver, 'Undone: changes to the text of 3 captions.');
    expect(await (await see(app.driver, '.remark')).getText()).not.toContain('became');
  });

  it('is no longer offered when the mend is taken back', async () => {
    await caretAt(app.driver, 'why is the lamp', 'after');
    await control(app.driver, Key.BACK_SPACE);
    await type(app.driver, 'land');
    await says(app.driver, /“lamp” also occurs in .* Change (?:it|those) to “land”/);
    await undone('why is the lamp');
    await eventually(
      app.driver,
      'the offer to go',
      async () => (await app.driver.findElements(By.css('.words-desk > .foot-bar'))).length === 0,
    );
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
    await press(app.driver, 'Cancel');
    await press(app.driver, 'Skip');
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
    await eventually(
      app.driver,
      'a “keeper” shown as found',
      async () => (await (await see(app.driver, '.found-now')).getText()) === 'keeper',
    );
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

it('proposes first what stands at the same place in another track of the job', async () => {
  const ask = asking(() => app.services.address);
  const [job] = await ask('GET /api/jobs');
  const talon = (await kept()).flatMap((c) => c.words).find((w) => w[6] === 'talon');
  const [start, end] = [talon?.[2] ?? 0, talon?.[3] ?? 0];
  const other = caption({
    id: 'other',
    start,
    end,
    text: 'Tollen',
    words: [[0, 6, start, end, 1, 'recogniser', 'Tollen']],
  });
  await ask('POST /api/jobs/:id/tracks', {
    params: { id: job?.id ?? '' },
    body: {
      id: 'from-the-trainer',
      kind: 'captions',
      language: job?.language ?? 'en-GB',
      name: 'from the trainer',
      captions: [other],
    },
  });
  await app.driver.navigate().refresh();
  await see(app.driver, '.cm-line');
  await caretAt(app.driver, 'the talon', 'before');
  await type(app.driver, Key.F4);
  await eventually(app.driver, 'what the other track has', async () => {
    const [first] = await app.driver.findElements(By.css('.suggestions button'));
    return (
      /^1\s+Tollen/.test((await first?.getText()) ?? '') && (await first?.getAttribute('data-tip'))?.includes('trainer')
    );
  });
  await type(app.driver, '1');
  await text('at the Tollen reach');
});
