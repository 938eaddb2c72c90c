import { rmSync } from 'node:fs';
import { build } from './ground.mjs';

// A build that is asked for is made, not remembered.
rmSync('.next/hodman-build', { force: true });
build();
