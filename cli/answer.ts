import { readArgs, type Typed, yearsOf } from './args.ts';
import { calibrate, tally, targetIds } from './calibration/run.ts';
import { bareForecast } from './commands/bare.ts';
import { choose, forecast, jobs, seed, sow, terminate } from './commands/garden.ts';
import { weather } from './commands/weather.ts';

const USAGE = `kilim choose FILE BED --plant DATE [--from DATE --next CROP --as seed --way WAY --aims feed:3,hold:2 --top N]
kilim forecast FILE COVER
kilim forecast --site NORMALS.json|--pattern ID --cover rye:0.4,vetch:0.6 --sow DATE [--way WAY --rate G,G --on DATE,DATE --irrigated]
kilim seed FILE [COVER]
kilim sow FILE COVER
kilim terminate FILE COVER
kilim jobs FILE
kilim calibrate [--only T01,T14]
kilim weather
All take --years N; those with a FILE take --today DATE.`;

function calibration(typed: Typed): string {
  const only = typed.get('only')?.split(',');
  const unknown = only?.find((id) => !targetIds().includes(id));
  if (unknown) throw new Error(`no target ${unknown}; there are ${targetIds().join(' ')}`);
  const lines = calibrate(yearsOf(typed, 60), only);
  return [
    ...lines.map((l) =>
      [
        l.id.padEnd(5),
        l.priority,
        l.what.padEnd(10),
        l.verdict.padEnd(4),
        `observed ${l.observed}`.padEnd(34),
        `computed ${l.computed}`.padEnd(44),
        l.where,
      ].join('  '),
    ),
    ...tally(lines).map((t) => `${t.priority} ${t.what}: ${t.hits} of ${t.of} hit`),
  ].join('\n');
}

const COMMANDS: Record<string, (typed: Typed) => object | string> = {
  choose,
  forecast: (typed) => (typed.at.length > 0 ? forecast(typed) : bareForecast(typed)),
  seed,
  sow,
  terminate,
  jobs,
  calibrate: calibration,
  weather,
};

/**
 * What a command line answers: JSON, except for the two tables; docs/commands.md describes each command. Throws an `Error` whose message
 * says what is wrong with what was typed.
 */
export function answerTo(argv: string[]): string {
  const [name = '', ...rest] = argv;
  const command = COMMANDS[name];
  if (!command) throw new Error(USAGE);
  const answer = command(readArgs(rest));
  return typeof answer === 'string' ? answer : JSON.stringify(answer, null, 1);
}
