import { join } from 'node:path';
import express, { Router } from 'express';

const A_YEAR_MS = 365 * 24 * 60 * 60 * 1000;

/** Serves the built web app: files by name, and the one page for every place within it. */
export function servePages(folder: string): Router {
  const router = Router();
  router.use(
    '/assets',
    express.static(join(folder, 'assets'), {
      immutable: true,
      maxAge: A_YEAR_MS,
      fallthrough: true,
    }),
  );
  router.use(express.static(folder, { index: false }));
  router.get(/.*/, (request, response, next) => {
    if (!request.accepts('html') || request.path.startsWith('/assets/')) {
      next();
      return;
    }
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(join(folder, 'index.html'));
  });
  return router;
}
