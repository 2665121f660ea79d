/** Writing in Words: several captions at once, neighbours, capitals, marks, pasting, proofing. */
import type { Caption } from '../core/model/caption.ts';
import { withApplication } from './support/application.ts';
import {
  By,
  caretAt,
  control,
  eventually,
  holding,
  Key,
  press,
  says,
  see,
  type,
  runCommand,
} from './support/browser.ts';
import { withDemoDesk } from './support/desk.ts';

const app = withApplication();
const { kept, text, selected, paste, undone } = withDemoDesk(app);

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

  it('stay selected when a dialog goes, however busy the page is', async () => {
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, Key.ARROW_DOWN, true);
    await says(app.driver, '2 captions');
    const chosen = await selected();
    await control(app.driver, 'l');
    await (await see(app.driver, '#label-speaker')).sendKeys('Trainer');
    // A browser tells late then that it has put the cursor somewhere itself.
    await app.driver.executeScript(
      `document.querySelector('.cm-content').addEventListener('focus', () => {
         const since = performance.now();
         while (performance.now() - since < 400);
         document.body.dataset.keyboard = 'back';
       }, { once: true });`,
    );
    await type(app.driver, Key.ESCAPE);
    await see(app.driver, '[data-keyboard=back]');
    // It is told in the next frame.
    await app.driver.executeAsyncScript(
      'requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(arguments[0])));',
    );
    expect(await selected()).toBe(chosen);
    await press(app.driver, 'Shift…');
    await eventually(app.driver, 'the keyboard in the field', () =>
      app.driver.executeScript<boolean>(`return document.activeElement?.id === 'shift-by'`),
    );
    await type(app.driver, Key.ESCAPE);
    await caretAt(app.driver, 'welcome', 'before');
  });

  it('are selected by the pointer, from the one with the cursor to a time pressed with Shift, and reflowed', async () => {
    await caretAt(app.driver, 'welcome', 'before');
    const [time] = await app.driver.findElements(By.xpath('(//*[contains(@class, "margin-time")])[3]'));
    await app.driver.actions().keyDown(Key.SHIFT).click(time).keyUp(Key.SHIFT).perform();
    await says(app.driver, '3 captions');
    await press(app.driver, 'Reflow…');
    const inDialog = (is: boolean): Promise<boolean> =>
      eventually(
        app.driver,
        `the keyboard ${is ? 'in' : 'out of'} the dialog`,
        async () =>
          (await app.driver.executeScript<boolean>(
            'return document.activeElement.closest("[role=dialog]") !== null',
          )) === is,
      );
    await inDialog(true);
    await type(app.driver, Key.ESCAPE);
    await inDialog(false);
    await caretAt(app.driver, 'welcome', 'before');
    await eventually(
      app.driver,
      'one caption only',
      async () => !(await app.driver.findElement(By.css('body')).getText()).includes('3 captions'),
    );
  });

  it('are cut and pasted elsewhere, the words in their order', async () => {
    const before = await kept();
    const words = (captions: readonly Caption[]): string => captions.map((c) => c.text.replace(/\n/g, ' ')).join(' ');
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, Key.ARROW_DOWN, true);
    const cut = await selected();
    await app.driver.executeScript(
      `const data = new DataTransfer();
       document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('cut', { clipboardData: data, bubbles: true, cancelable: true }));`,
    );
    await text('welcome', false);
    const left = words(before).slice(cut.length + 1);
    expect(words(await kept())).toBe(left);
    await caretAt(app.driver, 'never opened', 'before');
    await paste(`${cut}\n`);
    await text(/welcome to night school[\s\S]*never opened/);
    const now = await kept();
    expect(words(now)).toBe(left.replace('never opened', `${cut.replace(/\n/g, ' ')} never opened`));
    now.forEach((c, i) => expect(c.start).toBeGreaterThanOrEqual(now[i - 1]?.end ?? 0));
    await control(app.driver, 'z');
    await control(app.driver, 'z');
    await eventually(app.driver, 'all as it was', async () => words(await kept()) === words(before));
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
    await press(app.driver, 'Keep only…');
    await press(app.driver, 'Keep only these');
    await eventually(app.driver, 'two left', async () => (await kept()).length === 2);
    await control(app.driver, 'z');
    await eventually(app.driver, 'all back', async () => (await kept()).length === before.length);
  });
});

describe('writing', () => {
  it('shows what a step back changed, though one has scrolled away from it', async () => {
    await caretAt(app.driver, 'welcome', 'after');
    await type(app.driver, 'd');
    await text('welcomed');
    const scrolled = (how: string): Promise<boolean> =>
      eventually(app.driver, `the surface scrolled ${how}`, () =>
        app.driver.executeScript<boolean>(`return document.querySelector('.cm-scroller').scrollTop ${how}`),
      );
    await app.driver.executeScript("document.querySelector('.cm-scroller').scrollTop = 1000");
    await scrolled('> 900');
    await undone('welcome to night');
    await scrolled('< 50');
  });

  it('gives words to a neighbour by key, with the time they were said in', async () => {
    const before = await kept();
    await caretAt(app.driver, 'welcome', 'before');
    await holding(app.driver, [Key.ALT, Key.SHIFT], Key.ARROW_DOWN);
    await text('dark at the talon');
    const [first, second] = await kept();
    expect([first?.text.endsWith('to after'), second?.text.startsWith('dark')]).toEqual([true, true]);
    const dark = before[0]?.words.find((w) => w[6] === 'dark');
    expect(second?.start).toBe(dark?.[2]);
    await control(app.driver, 'z');
    await eventually(app.driver, 'it back', async () => (await kept())[0]?.text === before[0]?.text);
  });

  it('joins at the edges, and gives the first word to the caption above', async () => {
    const before = await kept();
    await caretAt(app.driver, 'at the talon', 'before');
    await type(app.driver, Key.BACK_SPACE);
    await eventually(app.driver, 'one less', async () => (await kept()).length === before.length - 1);
    await control(app.driver, 'z');
    await caretAt(app.driver, 'after dark', 'after');
    await type(app.driver, Key.DELETE);
    await eventually(app.driver, 'one less', async () => (await kept()).length === before.length - 1);
    await control(app.driver, 'z');
    await eventually(app.driver, 'both back', async () => (await kept()).length === before.length);
    await caretAt(app.driver, 'at the talon', 'before');
    await holding(app.driver, [Key.ALT, Key.SHIFT], Key.ARROW_UP);
    await text('after dark at');
    const [first, second] = await kept();
    expect(second?.text.startsWith('the talon')).toBe(true);
    expect(first?.words.at(-1)?.slice(2)).toEqual(before[1]?.words[0]?.slice(2));
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
    await control(app.driver, 'b');
    await control(app.driver, 'u');
    await eventually(
      app.driver,
      'bold and underline',
      async () =>
        (await kept())[0]?.marks
          .map((m) => m.kind)
          .sort()
          .join() === 'bold,underline',
    );
    await control(app.driver, 'z');
    await control(app.driver, 'z');
  });

  it('begins a sentence with a capital where one end is typed, takes it back with one key, and leaves an ellipsis be', async () => {
    await caretAt(app.driver, 'lantern is read', 'after');
    await type(app.driver, '.');
    await text('lantern is read. You wait');
    await undone('lantern is read. you wait');
    await type(app.driver, Key.BACK_SPACE, '.');
    await text('lantern is read. You wait');
    await type(app.driver, '..');
    await text('lantern is read... you wait');
    await type(app.driver, Key.BACK_SPACE, Key.BACK_SPACE, Key.BACK_SPACE);
    await text('lantern is read you wait');
    // At the end of a caption it is the one below that begins with it.
    await caretAt(app.driver, 'why is the land', 'after');
    await type(app.driver, '?');
    await text(/why is the land\? So important/);
    await type(app.driver, Key.BACK_SPACE);
    await text(/why is the land so important/);
  });

  it('leaves one space where a word was deleted by key, once the cursor has gone elsewhere', async () => {
    const before = (await kept())[0]?.text ?? '';
    await caretAt(app.driver, 'welcome to', 'after');
    await control(app.driver, Key.BACK_SPACE);
    await text('welcome  night');
    await type(app.driver, Key.ARROW_DOWN);
    await text('welcome night');
    await control(app.driver, 'z');
    await control(app.driver, 'z');
    await eventually(app.driver, 'it back', async () => (await kept())[0]?.text === before);
    await caretAt(app.driver, 'welcome to', 'after');
    await control(app.driver, Key.BACK_SPACE);
    await type(app.driver, 'by');
    await text('welcome by night');
    await control(app.driver, 'z');
    await control(app.driver, 'z');
    await eventually(app.driver, 'it back again', async () => (await kept())[0]?.text === before);
  });

  it('gives a word a capital by key, and takes it away', async () => {
    await caretAt(app.driver, 'talon rea', 'after');
    await type(app.driver, Key.F2);
    await text('talon Reach');
    await type(app.driver, Key.F2);
    await text('talon reach');
  });

  it('makes captions of many pasted lines, leaves control characters out, and looks at what is a file as one', async () => {
    const before = await kept();
    await caretAt(app.driver, 'welcome to night', 'after');
    await paste(' one\u0000two\u200b\u202e');
    await text('onetwo');
    await control(app.driver, 'z');
    await text('onetwo', false);
    await caretAt(app.driver, 'after dark', 'after');
    await paste('Part three.\nTonight we work\na lock after dark.\n');
    await eventually(app.driver, 'captions of lines', async () => (await kept()).length === before.length + 3);
    expect((await kept()).slice(0, 4).map((c) => c.text)).toEqual([
      before[0]?.text,
      'Part three.',
      'Tonight we work',
      'a lock after dark.',
    ]);
    await control(app.driver, 'z');
    await eventually(app.driver, 'as before', async () => (await kept()).length === before.length);
    await app.driver
      .executeScript<undefined>(`const data = new DataTransfer(); data.setData('text/plain', 'the gate is shut\\n'.repeat(300000));
      document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`);
    await says(app.driver, /The clipboard holds 5,100,000 characters, more than can be pasted into captions at once/);
    await says(app.driver, /pasted text\.txt/);
    await says(app.driver, /Reading pasted text\.txt/);
    expect(await kept()).toEqual(before);
    await press(app.driver, 'Cancel');
    await press(app.driver, 'Words');
    await see(app.driver, '.cm-line');
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
    await runCommand(app.driver, 'all keys');
    await press(app.driver, 'A proofed caption stays proofed');
    await type(app.driver, Key.ESCAPE);
    await eventually(
      app.driver,
      'the sheet closed',
      async () => !(await app.driver.findElement(By.css('.ways')).isDisplayed()),
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
