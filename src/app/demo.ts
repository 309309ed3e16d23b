import { matchPath } from 'react-router';
import maritimeUrl from '../../demo/north-shore.kilim.json?url';
import southUrl from '../../demo/two-gums.kilim.json?url';
import { type Result, fail } from '../core/result/result.ts';
import { bringBack, readGardenFile } from '../records/files/gardenFile.ts';
import { hands } from '../ring/garden.tsx';
import { type MADE_UP, isMadeUp } from '../ring/gardens.ts';

/** Demo gardens, in the same form as exported ones. They ship with the build and open without the network once cached. */
const DEMOS: Record<(typeof MADE_UP)[number], string> = { 'north-shore': maritimeUrl, 'two-gums': southUrl };

const textOf = async (name: keyof typeof DEMOS): Promise<string> => (await fetch(DEMOS[name])).text();

/** Where the address asks for one, it comes while the first screen is made; whoever opens it hears what went wrong. */
const asked = matchPath('/open-demo/:name', location.pathname)?.params.name;
let early = asked !== undefined && isMadeUp(asked) ? textOf(asked) : undefined;
early?.catch(() => undefined);

/** Brings a demo garden in, unless it is there already with the gardener's own changes; returns its id. */
export async function openDemo(name: string): Promise<Result<string>> {
  if (!isMadeUp(name)) return fail('file-not-garden');
  const text = name === asked && early ? early : textOf(name);
  early = undefined;
  const read = readGardenFile(await text);
  if (!read.ok) return read;
  const id = read.value.garden.id;
  if (!(await hands.db.gardens.get(id))) {
    const put = await bringBack(hands.db, read.value);
    if (!put.ok) return put;
  }
  return { ok: true, value: id };
}
