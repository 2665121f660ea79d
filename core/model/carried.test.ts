/** That no field of a caption is forgotten: each is there after everything that is done to captions. */
import fc from 'fast-check';
import { resolve } from 'node:path';
import ts from 'typescript';
import { editOfRepair } from '../rules/repairs/candidate.ts';
import { apply } from './apply.ts';
import { carryingArbitrary } from './arbitrary.ts';
import { caption, type Caption } from './caption.ts';
import { carriesSame, fieldGroups, fieldsOf, laidOutWhole, wholeFields } from './carried.ts';
import { decodeCaption } from './decode.ts';
import { mergedCaption } from './merge/captions.ts';
import { spliceText } from './ranges.ts';

const fields = fieldGroups.flat();
/** Two captions of one text that differ in one group of fields at the most. */
const differing = fc
  .tuple(carryingArbitrary, carryingArbitrary, fc.constantFrom(...fieldGroups.filter((g) => !g.includes('text'))))
  .map(([base, other, group]) => {
    const text = other.text.slice(0, base.text.length).padEnd(base.text.length, 'a');
    // Both of one text, so that what hangs on it fits both.
    const fitting: Caption = { ...other, ...spliceText({ ...other, text }, base.text.length, text.length, '') };
    return { base, changed: { ...base, ...fieldsOf(fitting, group) }, group };
  });

describe('what a caption carries', () => {
  it('is all it has but its id and its versions', () => {
    const all = caption({ id: 'a', start: 0, end: 1, text: '' });
    expect([...fields].sort()).toEqual(
      Object.keys(all)
        .filter((key) => key !== 'id')
        .sort(),
    );
  });

  it('comes back from JSON', () => {
    fc.assert(fc.property(carryingArbitrary, (c) => expect(decodeCaption(JSON.parse(JSON.stringify(c)))).toEqual(c)));
  });

  it('is seen where one field of it differs', () => {
    fc.assert(
      fc.property(differing, ({ base, changed, group }) => {
        expect(carriesSame(base, changed)).toBe(JSON.stringify(base) === JSON.stringify(changed));
        expect(carriesSame(base, changed, group)).toBe(true);
      }),
    );
  });

  it('is kept by both where one changes a field and another the text', () => {
    fc.assert(
      fc.property(differing, ({ base, changed, group }) => {
        const end = base.text.length;
        const written = spliceText(base, end, end, ' more');
        const wanted = { ...written, ...fieldsOf(spliceText(changed, end, end, ' more'), group) };
        expect(mergedCaption(base, changed, written)).toEqual(wanted);
        expect(mergedCaption(base, written, changed)).toEqual(wanted);
      }),
    );
  });

  it('is changed by a repair in whichever field', () => {
    fc.assert(
      fc.property(differing, ({ base, changed }) => {
        if (carriesSame(base, changed)) return;
        const { captions } = apply([base], editOfRepair([base], [changed]));
        // Times that are set by a repair are set.
        expect(captions).toEqual([
          { ...changed, timing: carriesSame(base, changed, ['start', 'end']) ? 'set' : changed.timing },
        ]);
      }),
    );
  });

  it('is there in both halves of a caption, and in the one they become again', () => {
    fc.assert(
      fc.property(carryingArbitrary, (c) => {
        const half = Math.ceil(c.text.length / 2);
        const split = apply([c], { type: 'split', id: c.id, at: half, newId: 'new', end: c.start, start: c.start });
        for (const part of split.captions) expect(Object.keys(part).sort()).toEqual(Object.keys(c).sort());
        const [first, second] = split.captions;
        if (!first || !second) throw new Error('A split leaves two.');
        const joined = apply(split.captions, { type: 'join', id: first.id, next: second.id, between: '' });
        const whole = joined.captions[0];
        expect(whole && fieldsOf(whole, wholeFields)).toEqual({ ...fieldsOf(c, wholeFields), proofed: false });
        expect(apply(split.captions, split.inverse).captions).toEqual([c]);
        expect(Object.keys(laidOutWhole(c, true))).toEqual(wholeFields);
      }),
    );
  });
});

it('a field that is added is asked for wherever one is treated by itself', () => {
  const read = ts.readConfigFile('tsconfig.core.json', (path) => ts.sys.readFile(path));
  const { options, fileNames } = ts.parseJsonConfigFileContent(read.config, ts.sys, process.cwd());
  const host = ts.createCompilerHost(options);
  const source = host.readFile.bind(host);
  const changed = resolve('core/model/caption.ts');
  host.readFile = (path) => {
    const text = source(path);
    return path === changed ? text?.replace('readonly proofed: boolean;', '$& readonly added: number;') : text;
  };
  const program = ts.createProgram([...fileNames, resolve('core/model/arbitrary.ts')], options, host);
  // Whoever treats a field by itself names the fields beside it too.
  const naming = program
    .getSourceFiles()
    .filter((file) => file.fileName.includes('/core/') && file.text.includes('proofed'));
  expect(naming.length).toBeGreaterThan(10);
  const asking = naming.filter((file) => program.getSemanticDiagnostics(file).length > 0);
  expect(asking.map(({ fileName }) => fileName.slice(process.cwd().length + 1)).sort()).toEqual([
    'core/formats/cue.ts',
    'core/formats/loss.ts',
    'core/model/arbitrary.ts',
    'core/model/caption.ts',
    'core/model/carried.ts',
    'core/model/decode.ts',
  ]);
});
