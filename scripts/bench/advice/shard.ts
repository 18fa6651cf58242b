/** Goes through a share of all mistakes of all systems, and prints what was found as one JSON line. */
import type { Finding } from '@zygostat/core/prove';
import { prove, repairOf } from '@zygostat/core/prove';
import { TEMPLATES } from '@zygostat/core/systems';
import { callsOf, faultyOf, runCalls, statusesOf } from '../../../packages/core/src/testing/faulty';
import { tellRepair } from '../../../packages/core/src/testing/tell';
import { spoilsOf } from '../../../packages/core/src/testing/spoils';
import type { Row } from './rows';
import { emptyRow } from './rows';
import { walk } from './walk';

const [shard, of, every] = process.argv.slice(2).map(Number) as [number, number, number];
const GRAVITY = { danger: 0, fault: 1, caution: 2 } as const;
const keyOf = ({ property, about }: Finding) => `${property} ${about}`;
const say = (text: string) => console.error(text);

const mine = (i: number) => i % every === 0 && (i / every) % of === shard;

const named = (process.argv[5] ?? '').split(',').filter((id) => id);
for (const { id, build } of TEMPLATES.filter((one) => named.length === 0 || named.includes(one.id))) {
  const good = build('Advice');
  const row: Row = emptyRow(id);
  const standing = new Set(prove(good)!.findings.map(keyOf));
  for (const spoiled of spoilsOf(good).filter((_, i) => mine(i))) {
    row.mistakes++;
    const { findings } = prove(spoiled.circuit)!;
    const worst = findings.find((finding) => !standing.has(keyOf(finding)));
    if (!worst) {
      const harm = walk(spoiled.circuit);
      if (harm && !walk(good)) {
        row.missed++;
        say(`missed: ${id}, ${spoiled.text}: ${harm}`);
      }
      continue;
    }
    row.shown++;
    const started = performance.now();
    const repair = repairOf(spoiled.circuit, worst, undefined, findings);
    row.slowestMs = Math.max(row.slowestMs, performance.now() - started);
    const left = repair && prove(repair.circuit)!.findings;
    const before = new Set(findings.map(keyOf));
    const added = left?.filter(
      (finding) =>
        !before.has(keyOf(finding)) &&
        (!standing.has(keyOf(finding)) || GRAVITY[finding.severity] <= GRAVITY[worst.severity]),
    );
    if (added?.some(({ severity }) => GRAVITY[severity] <= GRAVITY[worst.severity])) {
      row.harm++;
      say(
        `harm: ${id}, ${spoiled.text}: ${tellRepair(spoiled.circuit, repair!)} ${added.map(keyOf).join(', ')}`,
      );
    }
    if (left && left.every((finding) => standing.has(keyOf(finding)))) row.repaired++;
    else
      say(
        `not repaired: ${id}, ${spoiled.text}: ${repair ? tellRepair(spoiled.circuit, repair) : 'nothing proposed'} ${
          left
            ?.filter((one) => !standing.has(keyOf(one)))
            .map(keyOf)
            .join(', ') ?? ''
        }`,
      );
  }
  const calls = callsOf(good);
  const reference = runCalls(good, [], calls);
  for (const faulty of faultyOf(good).filter((_, i) => mine(i)))
    for (const { call, status, verdict } of statusesOf(faulty, calls, reference)) {
      row.states++;
      if (verdict === 'names it') row.named++;
      else say(`${verdict}: ${id}, ${faulty.text}, ${call}: ${status.text}`);
      if (verdict === 'blames another') row.blamed++;
    }
  console.log(JSON.stringify(row));
}
