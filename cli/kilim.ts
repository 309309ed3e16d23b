import { answerTo } from './answer.ts';

/** The core without a browser. */
try {
  console.log(answerTo(process.argv.slice(2)));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
}
