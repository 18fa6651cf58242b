/** Runs a script once for each core with its share of the work, and gathers the JSON lines it prints. */
import { spawn } from 'node:child_process';
import { availableParallelism } from 'node:os';

const SHARDS = Math.min(availableParallelism(), 4);

/** @param given - what the script is told after its share and the number of shares. */
export async function runShards<Row>(script: string, ...given: readonly (number | string)[]): Promise<Row[]> {
  const shares = Array.from({ length: SHARDS }, (_, shard) =>
    runShard<Row>(script, [shard, SHARDS, ...given]),
  );
  return (await Promise.all(shares)).flat();
}

function runShard<Row>(script: string, given: readonly (number | string)[]): Promise<Row[]> {
  const child = spawn(process.execPath, ['--import', 'tsx', script, ...given.map(String)], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let text = '';
  child.stdout.on('data', (chunk: Buffer) => (text += chunk.toString()));
  return new Promise((resolve, reject) =>
    child.on('close', (code) => {
      if (code !== 0) return reject(new Error(`A share of the bench ended with ${code}`));
      resolve(
        text
          .split('\n')
          .filter(Boolean)
          .map((line) => JSON.parse(line) as Row),
      );
    }),
  );
}
