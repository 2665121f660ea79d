/** The watch page of the stand-in: the recording with its live tracks, through the browser's own track element. */
import type { HeldRecording, HeldTrack } from './held.ts';

const names = new Intl.DisplayNames('en', { type: 'language' });
/** `English` for `en`. */
const languageName = (tag: string): string =>
  /^[a-z]{2,3}\b/.test(tag) ? (names.of(tag.split('-')[0] ?? '') ?? tag) : tag;

const escape = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** The page on which a recording is watched, with the browser’s own captions. */
export function watchPage(recording: HeldRecording, tracks: readonly HeldTrack[]): string {
  const live = tracks.filter((t) => t.state === 'live');
  const best = live.find((t) => t.kind === 'captions') ?? live[0];
  const elements = live
    .map((t) => {
      const label = t.kind === 'machine' ? `${t.language} (machine)` : t.language;
      return `<track kind="captions" src="/captions/${escape(recording.id)}/${escape(t.receipt)}" srclang="${escape(t.language)}" label="${escape(label)}"${t === best ? ' default' : ''}>`;
    })
    .join('\n      ');
  return `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8">
    <title>${escape(recording.title)} · Quayside</title>
    <style>
      body { margin: 0; background: #eceff1; color: #1c2529; font: 16px/1.5 sans-serif; }
      header { padding: 14px 24px; background: #fff; font-weight: 600; }
      main { max-width: 860px; margin: 24px auto; padding: 0 24px; }
      video { display: block; width: 100%; max-height: calc(100vh - 180px); background: #000; }
      h1 { font-size: 20px; }
    </style>
  </head>
  <body>
    <header>Quayside <small>· a stand-in for a video host</small></header>
    <main>
      <video controls preload="metadata" src="/media/${escape(recording.id)}">
      ${elements}
      </video>
      <h1>${escape(recording.title)}</h1>
      <p>${best ? (best.kind === 'machine' ? `Captions: made by machine, in ${languageName(best.language)}.` : `Captions: corrected, in ${languageName(best.language)}.`) : 'No captions.'}</p>
    </main>
  </body>
</html>
`;
}
