/** Choosing between versions while others work on the caption. */
import type { EditOf, Single } from '../edits.ts';
import type { Attribute } from './captions.ts';
import { ownCannotBeMade, leadingTo, type Cross } from './cross.ts';
import { after } from './parts.ts';

type ChooseVersion = EditOf<'chooseVersion'>;
type ChoiceChange = Attribute | EditOf<'setCaptions' | 'splice'>;

/** A new version, or another text, is not chosen against unseen. */
const isNews = (change: ChoiceChange, choice: ChooseVersion): boolean =>
  change.type === 'keepVersion' ||
  (choice.chosen !== 'standing' && (change.type === 'splice' || change.type === 'setCaptions'));

/** A choice over a change of the caption: it stands unless the change is news to whoever chose. */
export const choiceOverChange: Cross<ChooseVersion, ChoiceChange> = (own, theirs, at) =>
  leadingTo(own, theirs, at, isNews(theirs, own) ? [] : [own]);

/** A change over a choice: of the standing version it goes on, of one that went it is kept beside what was chosen. */
export const changeOverChoice: Cross<ChoiceChange, ChooseVersion> = (own, theirs, at) => {
  const stays = after(at, [theirs]).has(theirs.id);
  if (theirs.chosen === 'standing' || (own.type === 'keepVersion' && stays)) return leadingTo(own, theirs, at, [own]);
  if (own.type !== 'keepVersion') return ownCannotBeMade(own, theirs, at);
  // Chosen to go before anybody saw this version: it is back, against the removal.
  const back: Single[] = own.caption
    ? [{ type: 'insert', captions: [{ ...own.caption, id: own.id, versions: [null] }] }]
    : [];
  return leadingTo(own, theirs, at, back, back.length > 0);
};

/** A caption that was split, joined, exchanged, removed or chosen for meanwhile is no longer what was chosen about. */
export const choiceOverStructure: Cross<ChooseVersion> = (own, theirs, at) => leadingTo(own, theirs, at, []);

/** The own split, join, exchange or removal of a caption whose version others chose meanwhile: what they chose stays. */
export const structureOverChoice: Cross<Single, ChooseVersion> = (own, theirs, at) => ownCannotBeMade(own, theirs, at);
