import { type ErrorRequestHandler, type RequestHandler } from 'express';

const OWN_NAMES = ['localhost', '127.0.0.1', '[::1]'];
const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Host without its port; empty for what is no host. */
export const hostOf = (header: string | undefined): string =>
  (/^(\[[0-9a-f:]+\]|[a-z0-9.-]+)(:\d{1,5})?$/i.exec(header ?? '')?.[1] ?? '').toLowerCase();

/** Answers to its own names only, so that a page of another name cannot speak through it. Further names, with commas between, come from KILIM_HOSTS. */
export function ownNames(more = process.env.KILIM_HOSTS ?? ''): RequestHandler {
  const names = new Set(
    [...OWN_NAMES, ...more.split(',').map((n) => n.trim().toLowerCase())].filter(Boolean),
  );
  return (req, res, next) => {
    if (names.has(hostOf(req.headers.host))) return next();
    res
      .status(421)
      .type('text')
      .send('This server does not answer to that name. Open Kilim under the address it printed.');
  };
}

/** What changes something is taken from Kilim's own pages alone. */
export const ownPages: RequestHandler = (req, res, next) => {
  if (READS.has(req.method)) return next();
  const { origin, host } = req.headers;
  const from = req.headers['sec-fetch-site'];
  const foreign =
    (origin !== undefined && origin.replace(/^https?:\/\//, '') !== host) ||
    (from !== undefined && from !== 'same-origin' && from !== 'none');
  if (!foreign) return next();
  res.status(403).json({ error: 'this request comes from another page; nothing was done' });
};

/** A sentence for every failure, without a word about the machine it happened on. */
export const plainly: ErrorRequestHandler = (error: { status?: number; type?: string }, req, res, next) => {
  if (res.headersSent) return next(error);
  const status = error.status && error.status >= 400 && error.status < 500 ? error.status : 500;
  if (status === 500) console.error(error);
  const words =
    error.type === 'entity.too.large'
      ? 'the request is too large'
      : error.type === 'entity.parse.failed'
        ? 'the body is no JSON'
        : status < 500
          ? 'the request cannot be understood'
          : 'the server could not answer; try again';
  res.status(status);
  if (req.path.startsWith('/api')) res.json({ error: words });
  else res.type('text').send(`${words[0]!.toUpperCase()}${words.slice(1)}.`);
};
