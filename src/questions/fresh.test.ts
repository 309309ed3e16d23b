import { expect, test } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { readGardenFile } from '../records/files/gardenFile.ts';
import { schemas } from '../records/types.ts';
import { IMPERIAL } from '../core/units/show.ts';
import { freshBed, freshGarden } from './fresh.ts';

const read = readGardenFile(readFileSync('demo/two-gums.kilim.json', 'utf8'));
if (!read.ok) throw new Error(read.failure.code);

test('a bed of which only name and size are known is open loam, clean, unedged, with nothing in it', () => {
  const bed = freshBed({
    id: 'b',
    gardenId: 'g',
    name: 'Gate',
    order: 3,
    width_m: 1.2,
    length_m: 5,
    area_m2: 6,
  });
  expect(bed).toMatchObject({
    name: 'Gate',
    order: 3,
    area_m2: 6,
    block: '',
    edged: false,
    keptPlants: false,
    shade: 'open',
    surface: 'clean',
    soil: { texture: 'loam', fertility: 'fair' },
    troubles: [],
    obstacles: [],
  });
  expect(schemas.beds.safeParse(bed).success).toBe(true);
  // What is known counts.
  expect(freshBed({ ...bed, shade: 'deep', note: 'wet end' })).toMatchObject({
    shade: 'deep',
    note: 'wet end',
  });
});

test('a fresh garden is a sound record, without a pretended date, and knows its tools as things', () => {
  const garden = freshGarden({
    id: 'g',
    name: 'Mine',
    site: read.value.garden.site,
    siteFrom: read.value.garden.siteFrom,
    units: IMPERIAL,
    tools: ['shears', 'opaque-sheet'],
    createdAt: '2027-01-01T00:00:00.000Z',
  });
  expect(schemas.gardens.safeParse(garden).success).toBe(true);
  expect(garden.seasonClock).toBeNull();
  expect(garden.units).toEqual(IMPERIAL);
  expect([garden.kit, garden.things.map((t) => t.of)].flat()).toEqual(
    expect.arrayContaining(['shears', 'opaque-sheet']),
  );
  expect(garden.learnt).toBeNull();
});
