import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import { demoGarden, renderInGarden } from '../../ring/renderInGarden.tsx';
import { useGarden } from '../../ring/garden.tsx';
import { WriteDown } from './WriteDown.tsx';

const ID = 'north-shore-cover-10-2027-04';
function OnBed() {
  const { covers, beds } = useGarden();
  const cover = covers.find((c) => c.id === ID)!;
  const bed = beds.find((b) => b.id === cover.bedId)!;
  return <WriteDown cover={cover} bed={bed} weights={[{ speciesId: 'phacelia', weigh_g: 13.9 }]} />;
}
const FIELD = 'Phacelia really used, grams';
const LOG = 'Log sowing of bed 10';
/** The garden with the leeks before it still standing by the record, or with a planting day that comes too soon. */
const kept = (change: 'leek-stands' | 'planted-soon' | 'as-it-is') => {
  const base = demoGarden();
  return {
    ...base,
    plantings: base.plantings.map((p) =>
      change === 'leek-stands' && p.bedId === 'north-shore-bed-10' && p.cropId === 'leek'
        ? { ...p, clearedOn: null }
        : p,
    ),
    covers: base.covers.map((c) =>
      change === 'planted-soon' && c.id === ID ? { ...c, plantBackOn: '2027-04-10' } : c,
    ),
  };
};

describe('what was thrown is written down', () => {
  test('with what is meant where nothing else is typed; nothing and no number are refused at the field', async () => {
    const { user, db } = await renderInGarden(<OnBed />, { kept: kept('as-it-is') });
    const field = await screen.findByLabelText(FIELD);
    expect((field as HTMLInputElement).value).toBe('13.9');
    for (const wrong of ['0', 'some']) {
      await user.clear(field);
      await user.type(field, wrong);
      await user.click(screen.getByRole('button', { name: LOG }));
      expect((await screen.findByRole('alert')).textContent).toMatch(/more than nothing/);
      expect((await db.covers.get(ID))!.sownOn).toBeNull();
    }
    await user.clear(field);
    await user.type(field, '12,5');
    await user.click(screen.getByRole('button', { name: LOG }));
    await waitFor(async () => expect((await db.covers.get(ID))!.sownOn).toBe('2027-04-13'));
    expect((await db.covers.get(ID))!.seed.map((s) => s.used_g)).toEqual([12.5]);
  });
  test('a crop that stands by the record is asked about first, and goes out in the same write', async () => {
    const { user, db } = await renderInGarden(<OnBed />, { kept: kept('leek-stands') });
    await user.click(await screen.findByRole('button', { name: LOG }));
    const cleared = await screen.findByRole('button', { name: /^Yes, cleared/ });
    expect((await db.covers.get(ID))!.sownOn).toBeNull();
    await user.click(cleared);
    await waitFor(async () => expect((await db.covers.get(ID))!.sownOn).toBe('2027-04-13'));
    const leek = await db.plantings
      .filter((p) => p.bedId === 'north-shore-bed-10' && p.cropId === 'leek')
      .first();
    expect(leek!.clearedOn).toBe('2027-04-13');
  });
  test('a sowing after the planting day of what follows is asked about, and logged all the same when it was one', async () => {
    const { user, db } = await renderInGarden(<OnBed />, { kept: kept('planted-soon') });
    await user.click(await screen.findByRole('button', { name: LOG }));
    const same = await screen.findByRole('button', { name: 'Sown all the same' });
    expect((await db.covers.get(ID))!.sownOn).toBeNull();
    await user.click(same);
    await waitFor(async () => expect((await db.covers.get(ID))!.sownOn).toBe('2027-04-13'));
  });
});
