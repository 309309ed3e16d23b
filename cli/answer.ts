import { readArgs, type Typed, yearsOf } from './args.ts';
import { findingIds, findings, tallyFindings } from './calibration/findings.ts';
import { calibrate, tally, targetIds } from './calibration/run.ts';
import { advise } from './commands/advise.ts';
import { bareForecast } from './commands/bare.ts';
import { choose, forecast, jobs, seed, sow, terminate } from './commands/garden.ts';
import { learn, trial, years } from './commands/notebook.ts';
import { cover, rounds } from './commands/rounds.ts';
import { share } from './commands/share.ts';
import { weather } from './commands/weather.ts';

const USAGES: Record<string, string> = {
  advise: 'kilim advise --file FILE [--only A01,A02 --json]',
  choose:
    'kilim choose FILE BED --plant DATE [--from DATE --next CROP --as seed --way WAY --aims feed:3,hold:2 --top N]',
  forecast: `kilim forecast FILE COVER
kilim forecast --site NORMALS.json|--pattern ID --cover rye:0.4,vetch:0.6 --sow DATE [--way WAY --rate G,G --on DATE,DATE --irrigated]`,
  seed: 'kilim seed FILE [COVER]',
  sow: 'kilim sow FILE COVER',
  terminate: 'kilim terminate FILE COVER',
  rounds: 'kilim rounds FILE',
  learn: 'kilim learn FILE',
  trial: 'kilim trial FILE [ID]',
  years: 'kilim years FILE',
  cover: 'kilim cover PICTURE.png|.jpg',
  share: 'kilim share FILE',
  jobs: 'kilim jobs FILE',
  calibrate: 'kilim calibrate [--only T01,E01]',
  weather: 'kilim weather',
};
const USAGE = `${Object.values(USAGES).join('\n')}
All take --years N; those with a FILE take --today DATE; each tells its own usage with --help.`;

function calibration(typed: Typed): string {
  const only = typed.get('only')?.split(',');
  const unknown = only?.find((id) => !targetIds().includes(id) && !findingIds().includes(id));
  if (unknown)
    throw new Error(`no target ${unknown}; there are ${[...targetIds(), ...findingIds()].join(' ')}`);
  const years = yearsOf(typed, 60);
  const lines = calibrate(years, only);
  const found = findings(years, only);
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
    ...found.map((l) =>
      [
        l.id.padEnd(5),
        l.topic.padEnd(16),
        l.verdict.padEnd(4),
        `published ${l.published}`.padEnd(26),
        `computed ${l.computed}`.padEnd(18),
        `${l.quantity} (${l.source})`,
      ].join('  '),
    ),
    ...tally(lines).map((t) => `${t.priority} ${t.what}: ${t.hits} of ${t.of} hit`),
    ...tallyFindings(found).map((t) => `${t.topic}: ${t.hits} of ${t.of} hit`),
  ].join('\n');
}

const COMMANDS: Record<string, (typed: Typed) => object | string> = {
  advise,
  choose,
  forecast: (typed) => (typed.at.length > 0 ? forecast(typed) : bareForecast(typed)),
  seed,
  sow,
  terminate,
  rounds,
  learn,
  trial,
  years,
  cover,
  share,
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
  if (name === '--help' || name === 'help') return USAGE;
  const command = COMMANDS[name];
  if (!command) throw new Error(name ? `there is no command ${name}\n${USAGE}` : USAGE);
  if (rest.includes('--help'))
    return `${USAGES[name]!}\nAll take --years N; those with a FILE take --today DATE.`;
  const answer = command(readArgs(rest));
  return typeof answer === 'string' ? answer : JSON.stringify(answer, null, 1);
}
