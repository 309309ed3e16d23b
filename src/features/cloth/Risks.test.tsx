import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import { type Forecast } from '../../core/forecast/forecast.ts';
import { dayOf } from '../../core/calendar/day.ts';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { Risks } from './Risks.tsx';

const kept = demoGarden();
const standing = kept.covers.filter(
  (c) => c.sownOn && c.verdict === null && c.passes.every((p) => !p.doneOn),
);
const [one, two] = [
  { ...standing[0]!, plantBackOn: '2027-05-26' },
  { ...standing[1]!, plantBackOn: null },
];
const forecast = (
  inTime: number,
  more: Partial<Record<'noSeed' | 'stand' | 'better', number>> = {},
): Forecast =>
  ({
    stand: { stand: more.stand ?? 1 },
    settled: { method: 'cut', odds: { inTime, noSeed: more.noSeed ?? 1 }, startDay: dayOf('2027-05-10') },
    best: {
      method: 'crimp',
      odds: { inTime: more.better ?? inTime, noSeed: 1 },
      startDay: dayOf('2027-05-04'),
    },
  }) as unknown as Forecast;
const told = async (forecasts: Map<string, Forecast>, covers = [one, two]) => {
  const { unmount } = await renderInGarden(<Risks covers={covers} forecasts={forecasts} />, {
    kept: { ...kept, garden: { ...kept.garden, things: [] }, covers },
  });
  const said = screen
    .queryAllByRole('listitem')
    .map((li) => [
      li.textContent!.replace(/^Bed \S+: [^.]*? (?=is out|may)/, ''),
      li.querySelector('a')!.getAttribute('href'),
    ]);
  const page = screen.getByRole('region', { name: 'What may go wrong' }).textContent!;
  unmount();
  return { said, page };
};
const of = (a: Forecast, b: Forecast) =>
  new Map([
    [one.id, a],
    [two.id, b],
  ]);

test('the likeliest to fail stands first, with its odds and a better way where there is one; eight in ten is worth no warning', async () => {
  const { said } = await told(of(forecast(0.79), forecast(0.4, { better: 0.9 })));
  expect(said).toEqual(
    [
      [
        'is out of the way in only 40 years of 100 (cut once, when it dies of a cut). Better: crimp with a board, begun 4 May: 90 years of 100.',
        `/cover/${two.id}/terminate`,
      ],
      [
        'is out of the way by 26 May in only 79 years of 100 (cut once, when it dies of a cut).',
        `/cover/${one.id}/terminate`,
      ],
    ].map(([text, way]) => [expect.stringContaining(text!.split(' (')[0]!), way]),
  );
  expect((await told(of(forecast(0.8), forecast(0.95)))).page).toContain(
    'Nothing that stands or is planned is likely to fail.',
  );
});

test('seed and thin stands are risks of their own, and weigh less than lateness', async () => {
  const { said } = await told(of(forecast(1, { noSeed: 0.3 }), forecast(1, { stand: 0.2 })));
  expect(said).toEqual([
    ['may shed ripe seed before it is ended, in 70 years of 100.', `/cover/${one.id}/terminate`],
    ['may stay a thin stand, in 80 years of 100. Look, and sow gaps again early.', `/cover/${two.id}/look`],
  ]);
});

test('what is still worked out is said, and nothing is called safe before', async () => {
  const { page, said } = await told(new Map([[one.id, forecast(0.95)]]));
  expect(said).toEqual([]);
  expect(page).toContain('Working out 1 cover…');
  expect(page).not.toContain('Nothing that stands');
});
