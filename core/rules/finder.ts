/** Finds in whole tracks, and after an edit again only where it can have changed something. */
import { equalEnds } from '../text/equal-ends.ts';
import type { Caption } from '../model/caption.ts';
import { changedAt } from '../model/changed-at.ts';
import type { Finding, RuleContext } from './finding.ts';
import { findingsAt, mustOf, noFindings } from './findings.ts';

/**
 * What a finder knows of a track. The map is the finder's own and goes along with the next look; each
 * look gives a new value around it, so that those who watch see that something changed.
 */
export interface Found {
  /** The findings of each caption that has any, by caption id, each list in the order of the rules. */
  readonly byCaption: ReadonlyMap<string, readonly Finding[]>;
  /** How many findings have to go. */
  readonly must: number;
}

export interface Finder {
  /** Looks a track over; where it has been looked at before under the same rules, only what is new in it. */
  readonly look: (captions: readonly Caption[], context: RuleContext) => Found;
  /** Takes what was found elsewhere for these captions, a list for each of them. */
  readonly take: (captions: readonly Caption[], context: RuleContext, lists: readonly (readonly Finding[])[]) => Found;
  /** How many captions a look would go over. */
  readonly work: (captions: readonly Caption[], context: RuleContext) => number;
}

const sameContext = (a: RuleContext | null, b: RuleContext): boolean =>
  a !== null &&
  a.style === b.style &&
  a.length === b.length &&
  a.rate === b.rate &&
  a.language === b.language &&
  a.doubtBelow === b.doubtBelow &&
  a.regions === b.regions &&
  a.stretch === b.stretch;

/** The findings of every caption, in order. */
export const findingsOfAll = (captions: readonly Caption[], context: RuleContext): (readonly Finding[])[] =>
  captions.map((_, i) => findingsAt(captions, i, context));

/**
 * Makes a finder. Captions are values: one that is the same object beside the same neighbours is not
 * looked at twice, and what did not change at either end of a track is passed over at once.
 */
export function finder(): Finder {
  let last: RuleContext | null = null;
  let known: readonly Caption[] = [];
  let lists: (readonly Finding[])[] = [];
  let byCaption = new Map<string, readonly Finding[]>();
  let must = 0;

  function forget(from: number, to: number): void {
    for (let i = from; i < to; i++) {
      const list = lists[i];
      const caption = known[i];
      if (!list || !caption || list.length === 0) continue;
      must -= mustOf(list);
      byCaption.delete(caption.id);
    }
  }
  function remember(captions: readonly Caption[], fresh: readonly (readonly Finding[])[], from: number): void {
    fresh.forEach((list, i) => {
      const caption = captions[from + i];
      if (!caption || list.length === 0) return;
      must += mustOf(list);
      byCaption.set(caption.id, list);
    });
  }

  function take(captions: readonly Caption[], context: RuleContext, fresh: readonly (readonly Finding[])[]): Found {
    last = context;
    known = captions;
    lists = [...fresh];
    byCaption = new Map();
    must = 0;
    remember(captions, lists, 0);
    return { byCaption, must };
  }

  function look(captions: readonly Caption[], context: RuleContext): Found {
    if (!sameContext(last, context)) return take(captions, context, findingsOfAll(captions, context));
    const { from, toBefore, to } = changed(known, captions);
    const places = new Map<Caption, number>();
    for (let i = from; i < toBefore; i++) {
      const caption = known[i];
      if (caption) places.set(caption, i);
    }
    const fresh: (readonly Finding[])[] = [];
    for (let i = from; i < to; i++) {
      const caption = captions[i];
      if (!caption) continue;
      const was = places.get(caption);
      const same = was !== undefined && known[was - 1] === captions[i - 1] && known[was + 1] === captions[i + 1];
      fresh.push(same ? (lists[was] ?? noFindings) : findingsAt(captions, i, context));
    }
    forget(from, toBefore);
    remember(captions, fresh, from);
    if (fresh.length === toBefore - from) fresh.forEach((list, i) => (lists[from + i] = list));
    else lists = lists.slice(0, from).concat(fresh, lists.slice(toBefore));
    known = captions;
    return { byCaption, must };
  }

  function work(captions: readonly Caption[], context: RuleContext): number {
    if (!sameContext(last, context)) return captions.length;
    const { from, to } = changed(known, captions);
    return to - from;
  }

  return { look, take, work };
}

interface Changed {
  readonly from: number;
  /** Where the part of the old list ends that changed. */
  readonly toBefore: number;
  /** Where the part of the new list ends that changed. */
  readonly to: number;
}

/** The part in which two lists of captions differ, with the captions on either side, whose neighbour is another. */
function changed(before: readonly Caption[], after: readonly Caption[]): Changed {
  const at = changedAt(before, after);
  if (at !== null)
    return { from: Math.max(0, at - 1), toBefore: Math.min(before.length, at + 2), to: Math.min(after.length, at + 2) };
  const { head, tail } = equalEnds(before, after);
  if (head === before.length && head === after.length) return { from: head, toBefore: head, to: head };
  const rest = Math.max(0, tail - 1);
  return { from: Math.max(0, head - 1), toBefore: before.length - rest, to: after.length - rest };
}

/** What there is to find in a track, once. */
export const findIn = (captions: readonly Caption[], context: RuleContext): Found => finder().look(captions, context);
