/**
 * What a process beside the server begins with: it gives way to the one that answers where both want the same core. Linux has a priority
 * for each thread, and some are there already; what comes after has that of whoever starts it. Elsewhere a process has one.
 */
import { readdirSync } from 'node:fs';
import { constants, setPriority } from 'node:os';

const all = process.platform === 'linux' ? readdirSync('/proc/self/task').map(Number) : [process.pid];
for (const one of all) setPriority(one, constants.priority.PRIORITY_LOW);
