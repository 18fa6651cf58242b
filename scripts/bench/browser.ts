/** What a person waits for: start, first load, and a tap to paint on a slow phone. */
import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { chromium } from '@playwright/test';
import { readWireList } from '@zygostat/core/formats';
import { heatPumpWithStrips } from '@zygostat/core/systems';
import { CHROMIUM } from '../../e2e/chromium';
import { surveyFurnace } from '../../e2e/survey';
import { longWireList } from '../../packages/core/src/testing/large-unit';
import { JOB, SLOWDOWN, firstView, openings, phone } from './openings';
import { median, report } from './report';
import { tasks } from './tasks';

const ROOT = join(__dirname, '../..');
const PORT = '4391';
const URL_BASE = `http://127.0.0.1:${PORT}`;
const TAPS = 9;

/** `npm start` on an unchanged tree; resolves when it says it is ready. */
function start(data: string): Promise<{ child: ChildProcess; seconds: number }> {
  const began = process.hrtime.bigint();
  const env = { ...process.env, ZYGOSTAT_PORT: PORT, ZYGOSTAT_DATA: data, ZYGOSTAT_LOG: 'silent' };
  const child = spawn('npm', ['start'], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'pipe', 'ignore'],
    detached: true,
  });
  return new Promise((resolve) => {
    child.stdout.on('data', (chunk: Buffer) => {
      if (chunk.toString().includes('is ready'))
        resolve({ child, seconds: Number(process.hrtime.bigint() - began) / 1e9 });
    });
  });
}

/** From the tap on a call to the repainting of a block that changes with it, ms, each of several times. */
async function toggles(page: Page, call: string, face: string): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < TAPS; i++) {
    // Fan on or off changes the G blocks: the loom is repainted when their volts have changed.
    times.push(
      await page.evaluate(
        async ([name, block]) => {
          const shown = document.getElementById(block!)!;
          const button = document.querySelector<HTMLElement>(`[aria-label="Call: ${name}"]`)!;
          const painted = new Promise<number>((resolve) => {
            new MutationObserver((_, observer) => {
              observer.disconnect();
              requestAnimationFrame(() => setTimeout(() => resolve(performance.now())));
            }).observe(shown, { subtree: true, childList: true, characterData: true, attributes: true });
          });
          const began = performance.now();
          button.click();
          return (await painted) - began;
        },
        [call, face],
      ),
    );
    await page.waitForTimeout(400);
  }
  return times;
}

/** A heat pump's job whose outdoor unit has 40 wires. */
async function unitOfManyWires(page: Page): Promise<string> {
  const made = await page.request.post(`${URL_BASE}/api/jobs`, {
    data: { name: 'Unit', site: 'Bench', template: 'heat-pump' },
  });
  const { id } = (await made.json()) as { id: string };
  const read = readWireList(longWireList(40), heatPumpWithStrips('Unit'), 'yard');
  if (!read.ok) throw new Error(read.problems[0]!.message);
  const saved = await page.request.post(`${URL_BASE}/api/jobs/${id}/revisions`, {
    data: { base: 1, circuit: read.circuit, note: 'Unit by wire' },
  });
  if (!saved.ok()) throw new Error(await saved.text());
  return id;
}

async function main(): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'bench-'));
  const { child, seconds } = await start(data);
  report('start_ready_s', seconds, 's', 'npm start on an unchanged tree, to ready; aim < 10');

  const browser = await chromium.launch(CHROMIUM);
  try {
    await firstView(browser, URL_BASE);
    const page = await phone(browser);
    const network = await page.context().newCDPSession(page);
    const jobs = (await (await page.request.get(`${URL_BASE}/api/jobs`)).json()) as {
      id: string;
      name: string;
    }[];
    const job = jobs.find(({ name }) => name === JOB)!.id;
    await page.goto(`${URL_BASE}/job/${job}`);
    await page.getByTestId('stud-board.R').waitFor();
    await page.waitForTimeout(1500);
    await network.send('Emulation.setCPUThrottlingRate', { rate: SLOWDOWN });
    const times = await toggles(page, 'Fan', 'face-board.G');
    report(
      'toggle_to_paint_ms',
      median(times),
      'ms',
      `fan call to loom repainted, CPU slowed ${SLOWDOWN}×, median of ${TAPS} (${Math.round(Math.min(...times))}–${Math.round(Math.max(...times))}); aim ≤ 60`,
    );
    await page.goto(`${URL_BASE}/job/${await unitOfManyWires(page)}`);
    await page.getByTestId('stud-compressor.C').waitFor();
    await page.waitForTimeout(1500);
    const unitTimes = await toggles(page, 'Fan', 'face-board.G');
    report(
      'unit_toggle_to_paint_ms',
      median(unitTimes),
      'ms',
      `the same with an outdoor unit of 40 wires, median of ${TAPS} (${Math.round(Math.min(...unitTimes))}–${Math.round(Math.max(...unitTimes))})`,
    );
    await network.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await openings(browser, URL_BASE, job);
    await tasks(browser, URL_BASE);
    const made = await page.request.post(`${URL_BASE}/api/jobs`, {
      data: { name: 'Survey', site: 'Bench', survey: true },
    });
    await page.goto(`${URL_BASE}/job/${((await made.json()) as { id: string }).id}/survey`);
    await page.getByRole('button', { name: 'Yes', exact: true }).waitFor();
    report(
      'survey_taps',
      await surveyFurnace(page),
      'taps',
      'a plain furnace with air conditioner, from the first question to the last landing; aim ≤ 25',
    );
  } finally {
    await browser.close();
    process.kill(-child.pid!, 'SIGTERM');
    await new Promise((resolve) => child.once('close', resolve));
    rmSync(data, { recursive: true, force: true });
  }
}

void main();
