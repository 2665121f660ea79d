/** Captions and edits as an earlier Fenwix kept them, with what captions have come to carry since. */
import { caption, withVersions, type Caption, type Version } from './caption.ts';
import type { Edit } from './edits.ts';

type Kept = Omit<Caption, 'comeBack'> & Partial<Pick<Caption, 'comeBack'>>;

/** Whether a caption was kept by this Fenwix, or one that had all of this already. */
const isWhole = (of: Kept): of is Caption => of.comeBack !== undefined && (of.versions?.every(isWholeVersion) ?? true);
const isWholeVersion = (of: Version): boolean => of === null || isWhole(of);

/** A caption with every field there is; the same one where it has them. */
export function filledCaption(of: Kept): Caption {
  if (isWhole(of)) return of;
  const { versions, ...rest } = caption(of);
  return versions ? withVersions(rest, versions.map(filledVersion)) : rest;
}
const filledVersion = (of: Version): Version => of && filledCaption(of);

/** Captions with every field there is. */
export const filledCaptions = (of: readonly Kept[]): readonly Caption[] =>
  of.every(isWhole) ? of : of.map(filledCaption);

/** An edit whose captions have every field there is. */
export function filledEdit(edit: Edit): Edit {
  switch (edit.type) {
    case 'setCaptions':
    case 'insert':
    case 'replace':
      return { ...edit, captions: filledCaptions(edit.captions) };
    case 'keepVersion':
      return { ...edit, caption: filledVersion(edit.caption) };
    case 'together':
      return { ...edit, edits: edit.edits.map(filledEdit) };
    default:
      return edit;
  }
}
