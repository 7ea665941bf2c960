import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';

/** The built web: files with a hash in their name are kept by the browser for good, pages are asked for each time. */
export function webFiles(folder: string) {
  if (!existsSync(join(folder, 'index.html'))) throw new Error(`There is no built web in ${folder}`);
  const app = new Hono();
  for (const assets of ['/assets/*', '/room/assets/*'])
    app.use(assets, async (c, next) => {
      await next();
      if (c.res.ok) c.header('Cache-Control', 'public, max-age=31536000, immutable');
    });
  app.use('*', async (c, next) => {
    await next();
    if (c.res.headers.get('content-type')?.startsWith('text/html') === true) c.header('Cache-Control', 'no-cache');
  });
  app.get('/room', (c) => c.redirect('/room/'));
  app.use('*', serveStatic({ root: folder, precompressed: true }));
  app.get('*', async (c, next) => {
    if (/^\/(room\/)?assets\//.test(c.req.path)) return next();
    // The practice room is an application of its own.
    const path = c.req.path.startsWith('/room/') ? 'room/index.html' : 'index.html';
    return serveStatic({ root: folder, path, precompressed: true })(c, next);
  });
  return app;
}
