import { hostname, networkInterfaces } from 'node:os';
import type { NextFunction, Request, Response } from 'express';
import helmet from 'helmet';
import type { Settings } from '../settings.ts';
import { sendProblem, Problem } from './problem.ts';

/** Addresses that mean every one of this machine's. */
const EVERY = new Set(['0.0.0.0', '::']);

/** A host name out of `name`, `name:port` or `[address]:port`, in small letters. */
function nameIn(host: string): string {
  const bracketed = /^\[([^\]]*)\](?::\d+)?$/.exec(host);
  return (bracketed ? bracketed[1] : host.replace(/:\d+$/, '')).toLowerCase();
}

const isLoopback = (name: string): boolean =>
  name === 'localhost' || name.endsWith('.localhost') || name === '::1' || /^127(\.\d{1,3}){3}$/.test(name);

/**
 * Names that this server may be asked by. A page elsewhere may bring the browser to ask it by a name of its own that leads here; such a name is none of
 * these.
 */
export function isOwnHost(
  host: string | undefined,
  { host: own, hosts }: Pick<Settings, 'host' | 'hosts'>,
): boolean {
  if (!host) return false;
  const name = nameIn(host);
  if (isLoopback(name) || name === own.toLowerCase() || hosts.includes(name)) return true;
  if (!EVERY.has(own)) return false;
  const addresses = Object.values(networkInterfaces()).flatMap(
    (all) => all?.map(({ address }) => address) ?? [],
  );
  return name === hostname().toLowerCase() || addresses.includes(name);
}

/** True for a request that a page of another origin made. */
function isForeign({ headers }: Request): boolean {
  const site = headers['sec-fetch-site'];
  if (site === 'cross-site' || site === 'same-site') return true;
  const { origin, host } = headers;
  if (origin === undefined) return false;
  return !URL.canParse(origin) || new URL(origin).host !== host?.toLowerCase();
}

/** Lets nothing but this server's own pages, and programs that are no browser, read or change anything. */
export const ownPagesAlone =
  (settings: Pick<Settings, 'host' | 'hosts'>) =>
  (request: Request, response: Response, next: NextFunction): void => {
    if (!isOwnHost(request.headers.host, settings)) {
      const name = nameIn(request.headers.host ?? '');
      sendProblem(
        response,
        new Problem(
          403,
          'Not by this name',
          `This Brachytone is not asked by the name “${name.slice(0, 100)}”. Whoever runs it can allow the name with BRACHYTONE_HOSTS.`,
        ),
      );
    } else if (/^\/(?:api|metrics)(?:\/|$)/.test(request.path) && isForeign(request)) {
      sendProblem(
        response,
        new Problem(
          403,
          'Another page',
          'A page of another origin may neither read nor change what is here.',
        ),
      );
    } else next();
  };

/** What browsers are told of every page: it runs its own scripts alone, lies in no other page, and is isolated so that workers may share memory. */
export const pageHeaders = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      'default-src': ["'self'"],
      // Kernels, and readers of fonts, are WebAssembly.
      'script-src': ["'self'", "'wasm-unsafe-eval'"],
      // Menus and messages place themselves by styles of their own.
      'style-src': ["'self'", "'unsafe-inline'"],
      'img-src': ["'self'", 'data:', 'blob:'],
      'font-src': ["'self'", 'data:', 'blob:'],
      'connect-src': ["'self'"],
      'worker-src': ["'self'"],
      'object-src': ["'none'"],
      'base-uri': ["'none'"],
      'form-action': ["'self'"],
      'frame-ancestors': ["'none'"],
    },
  },
  crossOriginEmbedderPolicy: { policy: 'require-corp' },
  crossOriginOpenerPolicy: { policy: 'same-origin' },
  crossOriginResourcePolicy: { policy: 'same-origin' },
  referrerPolicy: { policy: 'no-referrer' },
  // Whether the server is reached by TLS is its proxy's business.
  strictTransportSecurity: false,
});
