/**
 * Quayside: a small stand-in for a video host. It holds recordings, each with a machine track of its
 * own; takes caption files by an access token, processes them for a while, then shows them on a watch
 * page through the browser's own track element. It can be told to be slow, to refuse or to fail.
 */
import { plainly } from '../../core/formats/sheet.ts';
import fastifyStatic from '@fastify/static';
import fastify, { type FastifyInstance } from 'fastify';
import type { AnySchema } from 'joi';
import { createHash, randomUUID, timingSafeEqual } from 'node:crypto';
import { createWriteStream, mkdirSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import type { Readable } from 'node:stream';
import { setTimeout as pause } from 'node:timers/promises';
import { pipeline } from 'node:stream/promises';
import { readSrt } from '../../core/formats/srt/read.ts';
import { readWebvtt } from '../../core/formats/webvtt/read.ts';
import { webvtt } from '../../core/formats/webvtt/webvtt.ts';
import { vttWriter } from '../../core/formats/webvtt/write.ts';
import { withIds } from '../../core/formats/cue.ts';
import { Unreadable } from '../../core/formats/format.ts';
import {
  behavedWell,
  behaviour as behaviourSchema,
  brought as broughtSchema,
  type Behaviour,
  type HeldRecording,
  type HeldTrack,
  type HostSetup,
} from './held.ts';
import { watchPage } from './watch-page.ts';

const largestFile = 10 * 1024 * 1024;
const largestRecording = 20 * 1024 ** 3;

/** Languages by file name, as this host wants files named: `name.en_GB.srt` or `name.en-GB.vtt`. */
export function languageOfName(file: string): string | null {
  const match = /\.([a-z]{2,3})(?:[-_]([A-Z]{2}))?\.(?:srt|vtt)$/.exec(file);
  return match ? [match[1], match[2]].filter(Boolean).join('-') : null;
}

/** A caption file as the WebVTT this host plays; a sentence says why where it will not have it. */
function playable(text: string): { readonly vtt: string } | { readonly why: string } {
  try {
    const { captions, warnings: mended } =
      webvtt.detect(text) > 0 ? readWebvtt(text, { rescue: false }) : readSrt(text);
    const fault = mended[0];
    if (fault) return { why: `line ${String(fault.line)}: ${fault.message}` };
    const late = captions.findIndex((c, i) => i > 0 && c.start < (captions[i - 1]?.end ?? 0));
    if (late > 0) return { why: `captions ${String(late)} and ${String(late + 1)} overlap` };
    return {
      vtt: vttWriter.write(
        { captions: withIds(captions, randomUUID), title: '', language: null, foreign: null },
        plainly,
      ),
    };
  } catch (error) {
    if (error instanceof Unreadable) return { why: error.message };
    throw error;
  }
}

const shown = ({ vtt: _, ...rest }: HeldTrack): Omit<HeldTrack, 'vtt'> => rest;

/**
 * The stand-in of a video host, not listening yet.
 * @param setup what it has and how it is told to behave
 */
export async function buildHost(setup: HostSetup): Promise<FastifyInstance> {
  mkdirSync(setup.folder, { recursive: true });
  const app = fastify({ bodyLimit: largestFile, forceCloseConnections: true });
  const held = new Map<string, HeldTrack[]>();
  for (const r of setup.recordings) {
    held.set(r.id, [
      {
        file: 'machine.vtt',
        language: r.language,
        kind: 'machine',
        state: 'live',
        receipt: 'machine',
        key: null,
        message: 'Made by the host.',
        vtt: r.machineTrack,
      },
    ]);
  }
  const recordings: HeldRecording[] = setup.recordings.map((r) => ({ ...r, key: null }));
  let behaviour = behavedWell;
  /** Captions that were delivered here, by the key they came under. */
  const deliveries = new Map<string, number>();
  /** Recordings that were brought here, by the key they came under. */
  const brought = new Map<string, number>();
  const timers = new Set<NodeJS.Timeout>();
  app.addHook('onClose', (_app, done) => {
    timers.forEach(clearTimeout);
    done();
  });
  app.setValidatorCompiler<AnySchema>(({ schema }) => (value: unknown) => {
    const checked = schema.validate(value ?? {});
    return checked.error ? { error: checked.error } : { value: checked.value as unknown };
  });
  app.addContentTypeParser(['application/x-subrip', 'text/vtt'], { parseAs: 'string' }, (_request, body, done) =>
    done(null, body),
  );

  app.addContentTypeParser('application/octet-stream', (_request, body, done) => done(null, body));

  const digest = (text: string): Buffer => createHash('sha256').update(text).digest();
  const expected = digest(`Bearer ${setup.token}`);
  app.addHook('onRequest', async (request, reply) => {
    if (request.url.startsWith('/watch/') || request.url.startsWith('/media/') || request.url.startsWith('/captions/'))
      return;
    if (behaviour.fail && request.url !== '/behave')
      await reply.status(503).send({ message: 'the service is down for repairs' });
    else if (!timingSafeEqual(digest(request.headers.authorization ?? ''), expected))
      await reply.status(401).send({ message: 'the token is not known here' });
  });

  const find = (id: string): { recording: HeldRecording; tracks: HeldTrack[] } | null => {
    const recording = recordings.find((r) => r.id === id);
    const tracks = held.get(id);
    return recording && tracks ? { recording, tracks } : null;
  };
  const summary = (id: string) => {
    const known = find(id);
    if (!known) return null;
    const { title, key } = known.recording;
    return { id, title, key, watch: `/watch/${id}`, tracks: known.tracks.map(shown) };
  };
  const change = (id: string, receipt: string, to: Partial<HeldTrack>): void => {
    held.set(
      id,
      (held.get(id) ?? []).map((t) => (t.receipt === receipt ? { ...t, ...to } : t)),
    );
  };

  app.post<{ Body: Partial<Behaviour> }>(
    '/behave',
    { schema: { body: behaviourSchema } },
    ({ body }) => (behaviour = { ...behaviour, ...body }),
  );
  app.get('/deliveries', () => Object.fromEntries(deliveries));
  app.get('/brought', () => Object.fromEntries(brought));
  app.get('/recordings', () => recordings.map((r) => summary(r.id)));
  app.put<{ Params: { id: string }; Querystring: { title: string; type: string; language: string }; Body: Readable }>(
    '/recordings/:id',
    { bodyLimit: largestRecording, schema: { querystring: broughtSchema } },
    async (request, reply) => {
      const { title, type, language } = request.query;
      if (behaviour.refuse) return reply.status(422).send({ message: behaviour.refuse });
      // Its name on disk is this host's own; nothing of the request becomes a path.
      const id = createHash('sha256').update(request.params.id).digest('hex').slice(0, 16);
      const file = join(setup.folder, id);
      await pipeline(request.body, createWriteStream(file));
      if (!find(id)) {
        recordings.push({
          id,
          title,
          file,
          mediaType: type,
          machineTrack: 'WEBVTT\n',
          language,
          key: request.params.id,
        });
        held.set(id, []);
      }
      brought.set(request.params.id, (brought.get(request.params.id) ?? 0) + 1);
      if (behaviour.slow > 0) await pause(behaviour.slow);
      return reply.status(201).send(summary(id));
    },
  );
  app.get<{ Params: { id: string } }>(
    '/recordings/:id',
    (request, reply) =>
      summary(request.params.id) ?? reply.status(404).send({ message: 'there is no such recording here' }),
  );

  app.put<{ Params: { id: string; file: string }; Body: string }>(
    '/recordings/:id/tracks/:file',
    async (request, reply) => {
      const { id, file } = request.params;
      const known = find(id);
      if (!known) return reply.status(404).send({ message: 'there is no such recording here' });
      if (behaviour.refuse) return reply.status(422).send({ message: behaviour.refuse });
      const language = languageOfName(file);
      if (!language)
        return reply.status(422).send({ message: `“${file}” does not name its language, as in name.en_GB.srt` });
      const result = playable(request.body);
      if ('why' in result) return reply.status(422).send({ message: result.why });
      const key = String(request.headers['idempotency-key'] ?? '');
      deliveries.set(key, (deliveries.get(key) ?? 0) + 1);
      const track: HeldTrack = {
        file,
        language,
        kind: 'captions',
        state: 'processing',
        receipt: randomUUID(),
        key: key === '' ? null : key,
        message: 'Being processed.',
        vtt: result.vtt,
      };
      held.set(id, [...known.tracks, track]);
      const timer = setTimeout(() => {
        timers.delete(timer);
        // It takes the place of what came before it; what has come since stays.
        const now = held.get(id) ?? [];
        const at = now.findIndex((t) => t.receipt === track.receipt);
        held.set(
          id,
          now.filter((t, i) => i >= at || t.kind === 'machine' || t.language !== language),
        );
        change(id, track.receipt, { state: 'live', message: 'Live.' });
      }, setup.processing);
      timers.add(timer);
      if (behaviour.slow > 0) await pause(behaviour.slow);
      if (behaviour.mute) return reply.raw.destroy();
      return reply.status(202).send(shown(track));
    },
  );

  await app.register(fastifyStatic, { root: setup.folder, serve: false });
  app.get<{ Params: { id: string } }>('/media/:id', (request, reply) => {
    const known = find(request.params.id);
    return known
      ? reply
          .type(known.recording.mediaType)
          .sendFile(basename(known.recording.file), dirname(known.recording.file), { contentType: false })
      : reply.status(404).send();
  });
  app.get<{ Params: { id: string; receipt: string } }>('/captions/:id/:receipt', (request, reply) => {
    const track = find(request.params.id)?.tracks.find(
      (t) => t.receipt === request.params.receipt && t.state === 'live',
    );
    return track ? reply.type('text/vtt; charset=utf-8').send(track.vtt) : reply.status(404).send();
  });
  app.get<{ Params: { id: string } }>('/watch/:id', (request, reply) => {
    const known = find(request.params.id);
    if (!known) return reply.status(404).send({ message: 'there is no such recording here' });
    return reply.type('text/html; charset=utf-8').send(watchPage(known.recording, known.tracks));
  });
  return app;
}
