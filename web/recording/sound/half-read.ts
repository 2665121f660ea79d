/**
 * What has been read of the sound of a recording, kept in this browser until the server has all of it, so that reading
 * goes on after a reload where it was.
 */
import { openDB, type DBSchema } from 'idb';
import { peaksMethod } from '../../../core/audio/peaks.ts';
import { regionsMethod } from '../../../core/audio/regions.ts';
import type { HeardSoFar } from '../../../core/audio/sound-reader.ts';

export interface HalfRead extends HeardSoFar {
  /** The finest level of how loud it is. */
  readonly cells: Uint8Array<ArrayBuffer>;
}

interface Schema extends DBSchema {
  reading: { key: string; value: HalfRead };
}

const open = () => openDB<Schema>('fenwix-sound', 1, { upgrade: (db) => void db.createObjectStore('reading') });
const methods = `${String(peaksMethod)}.${String(regionsMethod)}`;

/** Names what is read: a sound track of a recording, by the methods of today. @param track from 0 */
export const readingName = (hash: string, track: number): string => `${hash}/${String(track)}/${methods}`;

/** Null where nothing is kept, or where this browser keeps nothing. */
export async function halfRead(name: string): Promise<HalfRead | null> {
  try {
    const db = await open();
    const kept = await db.get('reading', name);
    db.close();
    return kept ?? null;
  } catch {
    return null;
  }
}

/** Where it cannot be kept, reading begins again another time. @param value null to forget it */
export async function keepHalfRead(name: string, value: HalfRead | null): Promise<void> {
  try {
    const db = await open();
    if (value) await db.put('reading', value, name);
    else await db.delete('reading', name);
    db.close();
  } catch {
    // No more is lost than time.
  }
}
