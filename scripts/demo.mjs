import { build, install, run } from './prepare.mjs';

install();
build();
process.exit(run(process.execPath, ['--import', 'tsx', 'server/main.ts', '--demo']));
