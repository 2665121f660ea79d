/** What the documents name is there. */
import { existsSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const documents = ['CONTRIBUTING.md', 'README.md', 'docs/formats.md'];
/** Folders whose paths a document may name between backticks. */
const rooms = /^(?:core|server|web|cli|standins|demo|bench|fixtures|e2e|docs|scripts)(?:\/[\w.-]+)*$/;

it.each(documents)('%s names only paths that there are', (document) => {
  const text = readFileSync(document, 'utf8');
  const named = [...text.matchAll(/`([^`\s]+)`/g)].map((m) => m[1] ?? '').filter((path) => rooms.test(path));
  const linked = [...text.matchAll(/\]\((?!https?:|#)([^)\s]+)\)/g)].map((m) => join(dirname(document), m[1] ?? ''));
  if (document === 'CONTRIBUTING.md') expect(named.length).toBeGreaterThan(50);
  expect([...named, ...linked].filter((path) => !existsSync(path))).toEqual([]);
});
