/** A bare text surface with the same text: what the browser and the editor need by themselves, as a floor for the page. */
import { build } from 'esbuild';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';

const script = `
  import { defaultKeymap } from '@codemirror/commands';
  import { EditorState } from '@codemirror/state';
  import { EditorView, keymap } from '@codemirror/view';
  fetch('/text').then((answer) => answer.text()).then((doc) => {
    const state = EditorState.create({ doc, extensions: [keymap.of(defaultKeymap)] });
    new EditorView({ state, parent: document.body });
  });`;

const page = `<!doctype html><meta charset="utf-8"><title>Bare</title>
<style>html, body { height: 100%; margin: 0 } .cm-editor { height: 800px } .cm-line { font: 18px sans-serif }</style>
<body><script type="module" src="/script.js"></script></body>`;

export interface BareSurface {
  readonly address: string;
  readonly stop: () => void;
}

/** Serves it. @param text of all captions, a line of the document for each line */
export async function serveBareSurface(text: string): Promise<BareSurface> {
  const built = await build({
    stdin: { contents: script, resolveDir: process.cwd(), loader: 'js' },
    bundle: true,
    minify: true,
    format: 'esm',
    write: false,
  });
  const files: Readonly<Record<string, readonly [type: string, body: string]>> = {
    '/': ['text/html', page],
    '/script.js': ['text/javascript', built.outputFiles[0]?.text ?? ''],
    '/text': ['text/plain; charset=utf-8', text],
  };
  const server = createServer((request, response) => {
    const [type, body] = files[request.url ?? ''] ?? ['text/plain', ''];
    response.setHeader('content-type', type);
    response.end(body);
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  return {
    address: `http://127.0.0.1:${String((server.address() as AddressInfo).port)}/`,
    stop() {
      server.closeAllConnections();
      server.close();
    },
  };
}
