import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { build, install, root, run } from './prepare.mjs';

install();
if (!existsSync(join(root, 'dist/index.html'))) build();
process.exit(run(process.execPath, ['--import', 'tsx', 'server/main.ts']));
