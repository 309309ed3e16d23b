import { describe, expect, test } from '@jest/globals';
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { climates, cropOf, crops } from '../../src/catalogue/catalogue.ts';
import { dayOf } from '../../src/core/calendar/day.ts';
import { offerPlanting } from '../../src/core/choose/begin.ts';
import { siteFromPattern } from '../../src/core/climate/pattern.ts';
import { forecastCover } from '../../src/core/forecast/forecast.ts';
import { type Picture, readCover } from '../../src/core/look/photo.ts';
import { plantBack } from '../../src/core/plantBack/plantBack.ts';
import { planRotations } from '../../src/core/rotation/rotation.ts';
import { layOut, planGapQuestion } from '../../src/questions/coverPlan.ts';
import { comingYear, rotationQuestion } from '../../src/questions/rotation.ts';
import { aheadOf, forecastInput, observedOf } from '../../src/questions/cover.ts';
import { familiesBefore, plantBackInput } from '../../src/questions/plantBack.ts';
import { answerTo } from '../answer.ts';
import { gardenFrom } from '../args.ts';

/**
 * Reference runs: what the model answers today to some ninety questions, figure by figure. Other tests say what must hold; this one says that nothing else
 * moved. Whoever changes the model on purpose writes the figures anew (`KILIM_REFERENCE=write npx jest --selectProjects unit --testPathPatterns reference`)
 * and reads the difference as part of the change.
 */
const FILE = join('cli', 'reference', 'figures.json');
/** Few years: every figure hangs on them all the same. */
const YEARS = 6;
const write = process.env.KILIM_REFERENCE === 'write';

interface Run {
  /** Of the whole answer, figures to nine digits. */
  all: string;
  /** Some of its figures by their place in it, so that a difference can be read. */
  some: Record<string, unknown>;
}
const known = (write ? {} : JSON.parse(readFileSync(FILE, 'utf8'))) as Record<string, Run>;

const DIGITS = 9;
const rounded = (_: string, v: unknown): unknown =>
  typeof v !== 'number' ? v : Number.isFinite(v) ? Number(v.toPrecision(DIGITS)) : String(v);

const SOME = 16;
function leaves(v: unknown, path = ''): [string, unknown][] {
  if (v === null || typeof v !== 'object') return [[path, v]];
  return Object.entries(v).flatMap(([k, x]) => leaves(x, path ? `${path}.${k}` : k));
}

/** What the shell says, as figures where it says figures. */
function said(line: string): unknown {
  const text = answerTo(line.split(' '));
  return /^[[{]/.test(text) ? JSON.parse(text) : { text };
}

function runOf(answer: unknown): Run {
  const exact = JSON.stringify(answer, rounded);
  const all = leaves(JSON.parse(exact));
  const step = Math.max(1, Math.floor(all.length / SOME));
  return {
    all: createHash('sha256').update(exact).digest('hex').slice(0, 16),
    some: Object.fromEntries(all.filter((_, i) => i % step === 0).slice(0, SOME)),
  };
}

const NORTH = 'demo/north-shore.kilim.json';
const SOUTH = 'demo/two-gums.kilim.json';

/** Every cover of a demo garden as its screens ask for it: the forecast, and when its crop can go in. */
function followed(file: string): [string, () => unknown][] {
  const c = gardenFrom(file);
  const today = c.garden.seasonClock!;
  return c.covers.flatMap((cover): [string, () => unknown][] => {
    const bed = c.beds.find((b) => b.id === cover.bedId)!;
    const next = c.plantings.find((p) => p.id === cover.nextPlantingId);
    const input = () => ({
      ...forecastInput(c.garden, bed, cover, c.plantings, c.looks, today, YEARS),
      observed: observedOf(c.weather, cover, today),
      ahead: aheadOf(c.weather, today),
    });
    const planted = () => {
      const asked = input();
      const { settled, best } = forecastCover(asked);
      const families = familiesBefore({ bed, ...c }, next!, asked.plantDay).map((f) => f.family);
      const ending = settled ?? best;
      return ending && plantBack(plantBackInput(asked, ending, cropOf(next!.cropId), next!.way, families));
    };
    return [
      [`forecast ${cover.id}`, () => forecastCover(input())],
      ...(next && !next.plantedOn
        ? [[`plant back after ${cover.id}`, planted] as [string, () => unknown]]
        : []),
    ];
  });
}

const lines: string[] = [
  `choose ${NORTH} R1 --from 2027-09-08 --plant 2028-05-20 --next tomato --aims feed:3,hold:2 --years 5 --top 40`,
  `choose ${NORTH} 8 --from 2027-06-20 --plant 2027-08-20 --next kale --aims smother:3,flowers:1 --years 5 --top 40`,
  `choose ${SOUTH} Gate --from 2027-04-01 --plant 2027-10-20 --next summer-squash --aims catch:2,loosen:1,hold:1 --years 5 --top 40`,
  `terminate ${NORTH} north-shore-cover-6-2026-09 --years 6`,
  `seed ${NORTH}`,
  `seed ${SOUTH}`,
  ...['2027-04-13', '2027-04-26', '2027-05-10', '2027-10-20'].flatMap((day) => [
    `rounds ${NORTH} --today ${day}`,
    `jobs ${NORTH} --today ${day}`,
    `jobs ${SOUTH} --today ${day}`,
  ]),
  `share ${NORTH} --years 6`,
  `share ${SOUTH} --years 6`,
  `learn ${SOUTH}`,
  `years ${NORTH} --years 6`,
  `trial ${NORTH}`,
  ...['sorghum-sudangrass', 'buckwheat', 'white-clover', 'cereal-rye:0.5,hairy-vetch:0.5'].map(
    (cover) =>
      `forecast --pattern humid-temperate --cover ${cover} --sow 2026-06-10 --on 2026-07-20,2026-09-01 --years 6`,
  ),
];
/** A made picture of leaves, straw and soil in patches, with shade and glare, lit from one side. */
function picture(): Picture {
  const [width, height] = [700, 500];
  const data = new Uint8ClampedArray(width * height * 4);
  const kinds = [
    [104, 78, 58],
    [206, 178, 118],
    [72, 118, 46],
  ] as const;
  let seed = 7;
  const chance = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const kind = kinds[(Math.floor(x / 80) + Math.floor(y / 60) * 2) % 3]!;
      const far = x > 500 && y > 300 ? 0.12 : x < 70 && y < 70 ? 3.2 : 0.7 + (0.5 * x) / width;
      for (let c = 0; c < 3; c++) data[(y * width + x) * 4 + c] = kind[c]! * far * (0.85 + 0.3 * chance());
      data[(y * width + x) * 4 + 3] = 255;
    }
  return { data, width, height };
}

/** A garden's next two years: which crops, laid out in time, and the question of each gap. */
function planned(file: string): unknown {
  const c = gardenFrom(file);
  const question = rotationQuestion(c, c.garden.seasonClock!, 2);
  const [plan] = planRotations(question);
  const beds = question.beds.map((b) => c.beds.find((x) => x.id === b.id)!);
  const laid = layOut(c, beds, plan!.grid, comingYear(c.garden.seasonClock!));
  return {
    question,
    plan,
    crops: laid.crops,
    leftOut: laid.leftOut,
    gaps: laid.gaps.map((g) => planGapQuestion(c, g, laid.crops)),
  };
}

/** Planting days that are offered, crop by crop, from four days of the year, in every climate there is a pattern of. */
const offered = (): unknown =>
  climates.map((k) => {
    const site = siteFromPattern(k, k.latitude_deg);
    return crops.map((crop) =>
      ['2027-01-10', '2027-04-10', '2027-07-10', '2027-10-10'].map((on) =>
        offerPlanting(site, crop, crop.ways[0]!, dayOf(on)),
      ),
    );
  });

const asked: [string, () => unknown][] = [
  ['two years of the northern garden', () => planned(NORTH)],
  ['two years of the southern garden', () => planned(SOUTH)],
  ['planting days', offered],
  ...[-0.05, 0, 0.05].map((shift): [string, () => unknown] => [
    `a picture, its line shifted by ${shift}`,
    () => {
      const { mask, ...read } = readCover(picture(), shift);
      return { ...read, mask: [...mask] };
    },
  ]),
  ...lines.map((line): [string, () => unknown] => [`kilim ${line}`, () => said(line)]),
  ...followed(NORTH),
  ...followed(SOUTH),
];

describe('the model answers as it did', () => {
  const runs: Record<string, Run> = {};
  test.each(asked)('%s', (name, answer) => {
    runs[name] = runOf(answer());
    if (!write) expect(runs[name]).toEqual(known[name]);
  });
  test('and was asked nothing that is not written down', () => {
    if (write) writeFileSync(FILE, `${JSON.stringify(runs, null, 2)}\n`);
    else expect(Object.keys(known).sort()).toEqual(asked.map(([name]) => name).sort());
  });
});
