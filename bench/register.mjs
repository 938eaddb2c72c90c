import { register } from 'node:module';

register('./typescript.mjs', import.meta.url);
