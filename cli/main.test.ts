/** The command as a process among others. */
import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  lstatSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
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

// A limit on how much is written to a file stands for a disk that is full.
it('leaves the file whole that it was to take the place of, and nothing beside it, where the disk is full', () => {
  const path = join(folder, 'long.srt');
  // Longer than the program itself, which is put on the disk too.
  const before = readFileSync(path, 'utf8') + `\n${'The water falls.\n'.repeat(1_000_000)}`;
  writeFileSync(path, before);
  const { status, stderr } = shell('ulimit -f 20000; fenwix convert "$FOLDER/long.srt" "$FOLDER/long.srt"');
  expect(stderr).toContain('long.srt could not be written');
  expect(status).toBe(2);
  expect(readFileSync(path, 'utf8') === before).toBe(true);
  expect(readdirSync(folder)).toEqual(['long.srt']);
});

it('takes the place of a file through a link to it, keeps who may read it, and writes to what is no file', () => {
  const path = join(folder, 'long.srt');
  chmodSync(path, 0o640);
  const { ino } = statSync(path);
  symlinkSync(path, join(folder, 'link.srt'));
  expect(shell('fenwix convert "$FOLDER/long.srt" "$FOLDER/link.srt" && wc -c "$FOLDER/link.srt"').status).toBe(0);
  expect(lstatSync(join(folder, 'link.srt')).isSymbolicLink()).toBe(true);
  expect(statSync(path).mode & 0o777).toBe(0o640);
  expect(statSync(path).ino).not.toBe(ino);
  expect(shell('fenwix convert "$FOLDER/long.srt" /dev/stdout --to vtt | head -c 6').stdout).toBe('WEBVTT');
  const over = shell('fenwix convert "$FOLDER/long.srt" "$FOLDER/link.srt" --to vtt');
  expect(over).toMatchObject({ status: 2, stderr: expect.stringContaining('holds SRT, and WebVTT is not') as string });
});
