/** Runs a script in a worker of a browser, as the app runs its model, and passes on the metrics it posts; `null` ends it. */
import type { Browser } from '@playwright/test';
import { build } from 'esbuild';
import { report } from './report';

type Metric = Parameters<typeof report>;

/** A script in one file, as the app's worker is. */
export async function bundled(script: string): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: [script],
    bundle: true,
    minify: true,
    platform: 'browser',
    format: 'iife',
    write: false,
  });
  return outputFiles[0]!.text;
}

export async function tellWorker(browser: Browser, script: string): Promise<void> {
  const page = await browser.newPage();
  const source = await bundled(script);
  const metrics = await page.evaluate(
    (text) =>
      new Promise<Metric[]>((resolve, reject) => {
        const worker = new Worker(URL.createObjectURL(new Blob([text], { type: 'text/javascript' })));
        const told: Metric[] = [];
        worker.onmessage = ({ data }: MessageEvent<Metric | null>) =>
          data ? told.push(data) : resolve(told);
        worker.onerror = ({ message }) => reject(new Error(message));
      }),
    source,
  );
  for (const metric of metrics) report(...metric);
}
