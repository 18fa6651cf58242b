/** After an install: Git runs the hooks that come with the project. Without Git, or outside a checkout, there is nothing to do. */
import { spawnSync } from 'node:child_process';
import { ROOT } from './lib.mjs';

spawnSync('git', ['config', 'core.hooksPath', '.githooks'], { cwd: ROOT, stdio: 'ignore' });
