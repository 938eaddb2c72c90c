import { parentPort } from 'node:worker_threads';
import { fileApart } from '@/core/recipe/files/apart';
import { readFoundLine, type LineReader } from '@/core/recipe/found-line';
import { readerOf } from '@/core/recipe/kitchen-lines';
import { sure } from '@/core/sure';
import type { ReadingAnswer, ReadingQuestion } from './reading';
import { loadReference } from '../reference/reference';

const port = sure(parentPort);
const say = (answer: ReadingAnswer) => port.postMessage(answer);
const tables = loadReference();
let reader: LineReader | undefined;

port.on('message', (asked: ReadingQuestion) => {
  if ('kitchen' in asked) reader = readerOf(tables, asked.kitchen);
  else if ('file' in asked) say({ file: fileApart(asked.file) });
  else say({ found: readFoundLine(asked.line, sure(reader)) });
});
say({ ready: true });
