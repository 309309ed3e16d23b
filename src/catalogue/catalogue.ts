import aimsData from './data/aims.json' with { type: 'json' };
import cautionsData from './data/cautions.json' with { type: 'json' };
import climatesData from './data/climates.json' with { type: 'json' };
import cropsData from './data/crops.json' with { type: 'json' };
import endingFiguresData from './data/endingFigures.json' with { type: 'json' };
import feedsData from './data/feeds.json' with { type: 'json' };
import kitData from './data/kit.json' with { type: 'json' };
import methodsData from './data/methods.json' with { type: 'json' };
import mixesData from './data/mixes.json' with { type: 'json' };
import sowingWaysData from './data/sowingWays.json' with { type: 'json' };
import speciesData from './data/species.json' with { type: 'json' };
import turnsData from './data/turns.json' with { type: 'json' };
import { type OwnKind, ownSpecies } from '../core/stand/ownKind.ts';
import type {
  AimEntry,
  ClimateEntry,
  CropEntry,
  EndingFigures,
  FeedEntry,
  MethodEntry,
  MixEntry,
  SowingWayEntry,
  SpeciesEntry,
  TurnEntry,
} from './schema.ts';

/** Every kind: those of the catalogue, then the own ones of the garden that is open. */
export const species = [...(speciesData as SpeciesEntry[])];
export const mixes = mixesData as MixEntry[];
export const crops = cropsData as CropEntry[];
export const climates = climatesData as ClimateEntry[];
export const methods = methodsData as MethodEntry[];
export const sowingWays = sowingWaysData as SowingWayEntry[];
export const turns = turnsData as TurnEntry[];
export const aims = aimsData as AimEntry[];
export const feeds = feedsData as FeedEntry[];
export const kit = kitData as { id: string; name: string }[];
export const cautions = cautionsData as Record<string, string>;

export const endingFigures = endingFiguresData as EndingFigures[];

const index = <T extends { id: string }>(list: T[]) => new Map(list.map((x) => [x.id, x]));
const speciesIndex = index(species);
const cropIndex = index(crops);
const wayIndex = index(sowingWays);
const endingIndex = index(endingFigures);

const CATALOGUED = species.length;
const likes = new Map<string, string>();

/** Makes the own kinds of a garden known beside the catalogue's, in place of those of another garden. One whose nearest is not known is left out. */
export function knowOwnKinds(kinds: readonly OwnKind[]): void {
  for (const s of species.splice(CATALOGUED)) speciesIndex.delete(s.id);
  likes.clear();
  for (const k of kinds) {
    const base = speciesIndex.get(k.like);
    if (!base || likes.has(k.like) || speciesIndex.has(k.id)) continue;
    const made = ownSpecies(k, base);
    species.push(made);
    speciesIndex.set(k.id, made);
    likes.set(k.id, k.like);
  }
}

/** The kind of the catalogue that an own kind was made from; undefined for one of the catalogue. */
export const madeFrom = (speciesId: string): string | undefined => likes.get(speciesId);

/** The way of sowing that is meant where nobody says another. */
export const usualWay: SowingWayEntry = sowingWays.find((w) => w.usual)!;

export const findSpecies = (id: string): SpeciesEntry | undefined => speciesIndex.get(id);
export const findCrop = (id: string): CropEntry | undefined => cropIndex.get(id);
export const findWay = (id: string): SowingWayEntry | undefined => wayIndex.get(id);

/** What blades, boards and animals make of a kind; undefined where nothing is known. */
export const endingFiguresOf = (speciesId: string): EndingFigures | undefined =>
  endingIndex.get(madeFrom(speciesId) ?? speciesId);

const wordsOf = (id: string): string => {
  const words = id.replaceAll('-', ' ');
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
};

const NO_TROUBLES = { feeds: [], starves: [] };

/**
 * A kind, crop or way as a screen shows it, also one that this catalogue does not know: a garden may come from another Kilim. What is not known has its id for
 * a name; its figures stand for nothing and are never computed with.
 */
export const speciesOf = (id: string): SpeciesEntry =>
  speciesIndex.get(id) ?? {
    ...species[0]!,
    id,
    name: wordsOf(id),
    role: 'broadleaf',
    hazards: [],
    troubles: NO_TROUBLES,
  };
export const cropOf = (id: string): CropEntry => cropIndex.get(id) ?? { ...crops[0]!, id, name: wordsOf(id) };
export const wayOf = (id: string): SowingWayEntry =>
  wayIndex.get(id) ?? { ...usualWay, id, name: wordsOf(id) };

/** Names of parts that this catalogue does not know; nothing is worked out for them. */
export const unknownKinds = (parts: { speciesId: string }[]): string[] =>
  parts.filter((p) => !speciesIndex.has(p.speciesId)).map((p) => wordsOf(p.speciesId));

/** The kind a species is a form of; itself where it is no other's form. */
export const formOf = (speciesId: string): string => speciesIndex.get(speciesId)?.formOf ?? speciesId;

/** Members of a cover as the core wants them; unknown species are left out. */
export function membersOf(
  parts: { speciesId: string; share: number }[],
): { species: SpeciesEntry; share: number }[] {
  const known = parts.flatMap((p) => {
    const found = findSpecies(p.speciesId);
    return found ? [{ species: found, share: p.share }] : [];
  });
  const total = known.reduce((s, m) => s + m.share, 0) || 1;
  return known.map((m) => ({ ...m, share: m.share / total }));
}

/** "Cereal rye and hairy vetch" for a list of members, or the mix's own name where one has just these members. */
export function coverName(parts: { speciesId: string; share: number }[]): string {
  const names = parts.map((p, i) => {
    const { name } = speciesOf(p.speciesId);
    return i === 0 ? name : name.toLowerCase();
  });
  if (names.length <= 1) return names[0] ?? '';
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

/** A cover as it is spoken of: by the name of the mix that it is, or by its kinds. */
export const coverTitle = (cover: {
  called?: string;
  parts: { speciesId: string; share: number }[];
}): string => cover.called || coverName(cover.parts);

/** Every mix and every single kind, as covers that might be tried in a gap. */
export const allCovers = (): { id: string; name: string; members: ReturnType<typeof membersOf> }[] => [
  ...mixes.map((m) => ({ id: m.id, name: m.name, members: membersOf(m.members) })),
  ...species.map((s) => ({ id: s.id, name: s.name, members: membersOf([{ speciesId: s.id, share: 1 }]) })),
];

/** A mix or a single kind by its id. */
export const coverOfId = (id: string): ReturnType<typeof allCovers>[number] | undefined =>
  allCovers().find((c) => c.id === id);
