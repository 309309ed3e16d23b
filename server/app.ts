import express, { type Express } from 'express';
import pressed from 'express-static-gzip';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { ownNames, ownPages, plainly } from './guard.ts';
import { standIns } from './standIns.ts';
import { join } from 'node:path';

/** Serves the build with a strict content security policy: nothing inline, nothing from elsewhere. */
export function makeApp(dist: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('env', 'production');
  app.use(ownNames());
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'"],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          formAction: ["'self'"],
          baseUri: ["'none'"],
          frameAncestors: ["'none'"],
          objectSrc: ["'none'"],
          scriptSrcAttr: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use('/api', ownPages, standIns());
  // Pressed once, when they were built: the first visit does not wait while the server presses.
  app.use('/assets', pressed(join(dist, 'assets'), { serveStatic: { immutable: true, maxAge: '1y' } }));
  app.use(express.static(dist, { setHeaders: (res) => void res.setHeader('Cache-Control', 'no-cache') }));
  app.get('/{*splat}', (req, res) => {
    const index = join(dist, 'index.html');
    // A missing file is missing; only addresses of screens fall back to the page.
    if (/\.\w+$/.test(req.path) || !existsSync(index))
      return void res.status(404).type('text').send('Not found');
    res.setHeader('Cache-Control', 'no-cache');
    res.sendFile(index);
  });
  app.use(plainly);
  return app;
}
