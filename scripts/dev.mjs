import { install, nextBin, must } from './prepare.mjs';

install();
must(
  'The development server',
  process.execPath,
  [nextBin, 'dev', '-H', '127.0.0.1', '-p', process.env.PORT ?? '3000'],
  {
    HODMAN_DEMO: '1',
    HODMAN_DATA: process.env.HODMAN_DATA ?? '.hodman-dev',
  },
);
