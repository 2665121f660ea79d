/** What can be done with house styles on their page: editing one at a time, copying, files, deleting. */
import { computed, ref, shallowRef } from 'vue';
import type { StyleUse } from '../../../core/job/job.ts';
import { decodeStyle, styleFile } from '../../../core/style/decode-style.ts';
import { faultShown } from '../../../core/style/style-fields.ts';
import { idFor } from '../../../core/style/style-names.ts';
import type { HouseStyle } from '../../../core/style/style.ts';
import { sentence } from '../../../core/contract/api-error.ts';
import { ask } from '../../data/client/client.ts';
import { saveAs } from '../../import/save-as.ts';
import { useStyles } from '../../data/jobs/styles.ts';

/** Larger files are no house styles. */
const largest = 1_000_000;

export function useStyleEditor() {
  const styles = useStyles();
  const uses = shallowRef<readonly StyleUse[]>([]);
  /** The style being edited, as it is so far. */
  const draft = shallowRef<HouseStyle | null>(null);
  /** What a person should hear: a sentence, and the faults that go with it. */
  const said = shallowRef<{
    readonly tone: 'good' | 'bad';
    readonly text: string;
    readonly faults: readonly string[];
  } | null>(null);
  const loaded = ref(false);

  const good = (text: string): void => {
    said.value = { tone: 'good', text, faults: [] };
  };
  /** Does something, and says why where it could not be done. */
  async function attempt(deed: () => Promise<void>): Promise<void> {
    said.value = null;
    try {
      await deed();
    } catch (error) {
      said.value = { tone: 'bad', text: sentence(error), faults: [] };
    }
  }

  async function loadUses(): Promise<void> {
    uses.value = await ask('GET /api/style-uses');
  }
  async function load(): Promise<void> {
    await attempt(async () => {
      await styles.load();
      await loadUses();
      loaded.value = true;
    });
  }
  const usesOf = computed(() => {
    const byStyle = new Map<string, StyleUse[]>();
    for (const use of uses.value) byStyle.set(use.style.id, [...(byStyle.get(use.style.id) ?? []), use]);
    return (id: string): readonly StyleUse[] => byStyle.get(id) ?? [];
  });

  function edit(style: HouseStyle): void {
    said.value = null;
    draft.value = style;
  }
  const copy = (style: HouseStyle): Promise<void> =>
    attempt(async () => {
      const made = await styles.add({ ...style, name: `${style.name}, copy` });
      draft.value = made;
    });

  /** Keeps what was edited; its faults are named and nothing is changed where it is no style. */
  async function save(): Promise<void> {
    const { value: wanted } = draft;
    if (!wanted) return;
    const { faults } = decodeStyle(wanted);
    if (faults) {
      said.value = {
        tone: 'bad',
        text: 'This cannot be saved as a house style yet, and nothing was changed:',
        faults: faults.map(faultShown),
      };
      return;
    }
    await attempt(async () => {
      const saved = await styles.save(wanted);
      draft.value = null;
      await loadUses();
      const behind = usesOf.value(saved.id).filter((use) => use.standing === 'earlier').length;
      good(
        behind === 0
          ? `${saved.name} is saved.`
          : `${saved.name} is saved. ${behind === 1 ? 'One job keeps' : `${String(behind)} jobs keep`} the figures it had; update a job under “Used by”.`,
      );
    });
  }

  const remove = (style: HouseStyle, instead: string | null): Promise<void> =>
    attempt(async () => {
      await styles.remove(style.id, instead);
      await loadUses();
      good(`${style.name} is deleted.`);
    });

  /** Gives a job the style as it is now. */
  const bringUp = (use: StyleUse): Promise<void> =>
    attempt(async () => {
      await ask('PATCH /api/jobs/:id', { params: { id: use.job.id }, body: { style: use.style.id } });
      await loadUses();
      good(`${use.job.title} uses ${use.style.name} as it is now.`);
    });

  const exportFile = (style: HouseStyle): void =>
    saveAs(styleFile(style), `${idFor(style.name, [])}.style.json`, 'application/json');

  const importFile = (file: File): Promise<void> =>
    attempt(async () => {
      const read = await styleOfFile(file);
      if (!read.style) {
        said.value = { tone: 'bad', text: read.text, faults: read.faults };
        return;
      }
      const made = await styles.add(read.style);
      good(`${made.name} was imported from ${file.name}.`);
    });

  return { styles, draft, said, loaded, usesOf, load, edit, copy, save, remove, bringUp, exportFile, importFile };
}

type Read =
  { readonly style: HouseStyle } | { readonly style: null; readonly text: string; readonly faults: readonly string[] };

/** The style of a file, or a sentence and every fault it has. */
async function styleOfFile(file: File): Promise<Read> {
  const not = (text: string, faults: readonly string[] = []): Read => ({ style: null, text, faults });
  if (file.size > largest) return not(`${file.name} is far too large to be a house style; nothing was changed.`);
  let json: unknown;
  try {
    json = JSON.parse(await file.text());
  } catch {
    return not(`${file.name} is not JSON, which a house style is written in; nothing was changed.`);
  }
  const { style, faults } = decodeStyle(json);
  return style ? { style } : not(`${file.name} is not a house style, and nothing was changed:`, faults);
}
