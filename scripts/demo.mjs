import { build, install, serve } from './ground.mjs';

install();
build();
await serve({ demo: true });
