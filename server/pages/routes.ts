/** The built interface: one page with a fresh nonce at each visit, and its files, compressed beforehand. */
import fastifyStatic from '@fastify/static';
import type { FastifyInstance } from 'fastify';
import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { nothingHere } from '../http/errors.ts';

/** Scripts and styles only from here, styles put in by libraries only with the page's nonce. */
export function contentPolicy(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'wasm-unsafe-eval'`,
    `style-src 'self' 'nonce-${nonce}'`,
    // Positions are set as style attributes by the overlay and the text surface.
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
    "form-action 'self'",
  ].join('; ');
}

/**
 * Serves the built interface, each page with a nonce of its own.
 * @param web folder of the build
 * @throws {Error} where there is none
 */
export async function pages(app: FastifyInstance, { web }: { web: string }): Promise<void> {
  if (!existsSync(join(web, 'index.html'))) throw new Error('The interface has not been built: run npm run build.');
  const template = readFileSync(join(web, 'index.html'), 'utf8');
  await app.register(fastifyStatic, {
    root: join(web, 'assets'),
    prefix: '/assets/',
    preCompressed: true,
    maxAge: '1y',
    immutable: true,
  });
  const icon = readFileSync(join(web, 'icon.svg'));
  app.get('/icon.svg', (_request, reply) => reply.type('image/svg+xml').send(icon));

  app.setNotFoundHandler((request, reply) => {
    if (request.method !== 'GET' || request.url.startsWith('/api/') || request.url.startsWith('/assets/')) {
      throw nothingHere();
    }
    const nonce = randomBytes(16).toString('base64');
    return reply
      .type('text/html; charset=utf-8')
      .header('content-security-policy', contentPolicy(nonce))
      .header('cache-control', 'no-store')
      .send(template.replaceAll('%NONCE%', nonce));
  });
}
