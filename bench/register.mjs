import { register } from 'node:module';

register('../scripts/typescript.mjs', import.meta.url);
