import { rmSync } from 'node:fs';
import { build } from './prepare.mjs';

// A build that is asked for is made, not remembered.
rmSync('.next/hodman-build', { force: true });
build();
