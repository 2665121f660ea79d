/** The command as a process among others. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fenwix-cli-'));
  const cues = Array.from(
    { length: 20_000 },
    (_, i) => `${String(i + 1)}\n00:00:01,000 --> 00:00:03,000\nThe gate  is\n`,
  );
  writeFileSync(join(folder, 'long.srt'), cues.join('\n'));
});
afterEach(() => rmSync(folder, { recursive: true }));

/** In a shell, `fenwix` being the command. */
const shell = (command: string) =>
  spawnSync('sh', ['-c', `fenwix() { '${process.execPath}' scripts/run-ts.mjs cli/main.ts "$@"; }; ${command}`], {
    encoding: 'utf8',
    env: { ...process.env, FOLDER: folder },
  });

it('does its work and says nothing more where whoever reads its output leaves', () => {
  const read = shell('fenwix read "$FOLDER/long.srt" | head -c 20');
  expect(read).toMatchObject({ status: 0, stderr: '' });
  expect(read.stdout).toHaveLength(20);
  const out = join(folder, 'out.srt');
  const written = shell('(fenwix convert "$FOLDER/long.srt" "$FOLDER/out.srt"; echo $? >&2) | true');
  expect(written.stderr).toBe('0\n');
  expect(readFileSync(out, 'utf8').match(/-->/g)).toHaveLength(20_000);
});

// Linux has a file that is always full.
(existsSync('/dev/full') ? it : it.skip)('says that its output could not be written, where a disk is full', () => {
  const { status, stderr } = shell('fenwix read "$FOLDER/long.srt" >/dev/full');
  expect(status).toBe(2);
  expect(stderr).toContain('The output could not be written: the disk is full.');
});
