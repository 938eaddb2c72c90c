import { build, install, serve } from './prepare.mjs';

install();
build();
await serve({ demo: false });
