// @ts-check
/** Makes core/audio/voice-kernel.ts from its source, voice-kernel.wat; needs the package `wabt`, which is not installed here. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './setup.mjs';

const name = 'wabt';
const { default: wabt } = await import(name);
const at = join(root, 'core/audio/voice-kernel');
const module = (await wabt()).parseWat('voice-kernel.wat', readFileSync(`${at}.wat`, 'utf8'), { simd: true });
const { buffer } = module.toBinary({});
writeFileSync(
  `${at}.ts`,
  `/** The sums of the network of voices as WebAssembly, made from voice-kernel.wat by scripts/make-voice-kernel.mjs. */
export const voiceKernel =
  '${Buffer.from(buffer).toString('base64')}';
`,
);
