import { text } from 'node:stream/consumers';
import { spokenLines } from '@bienestar/core/stepLine/spokenLines';
import { vocabularyOf } from '@bienestar/core/stepLine/vocabulary';
import { complain, houseInFile } from './houseInFile';

/*
 * npm run -s lines -- FILE < LINES
 * Reads step lines from standard input, one step each, and prints as JSON what each becomes with the shelf of a
 * house file: what is asked or not understood stands beside it.
 */

const [path] = process.argv.slice(2);
if (path === undefined) complain(['Name a house file: npm run -s lines -- FILE < LINES']);
const words = vocabularyOf(await houseInFile(path));
process.stdout.write(`${JSON.stringify(spokenLines(await text(process.stdin), words), null, 2)}\n`);
