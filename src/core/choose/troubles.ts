import { type Member } from '../stand/species.ts';

/** Troubles of a bed that a cover can feed or starve. */
export const TROUBLES = [
  'clubroot',
  'white-mould',
  'root-knot',
  'slugs',
  'wireworm',
  'voles',
  'running-weeds',
  'annual-weeds',
] as const;
export type Trouble = (typeof TROUBLES)[number];

/** Kinds that feed each trouble, by family, role or id. General knowledge of the field; local advice outranks it. */
const FEEDS: Record<Trouble, (m: Member) => boolean> = {
  clubroot: (m) => m.species.family === 'Brassicaceae',
  'white-mould': (m) =>
    m.species.role === 'legume' || ['Brassicaceae', 'Asteraceae', 'Boraginaceae'].includes(m.species.family),
  'root-knot': (m) =>
    (m.species.role === 'legume' && m.species.id !== 'sunn-hemp') || m.species.id === 'phacelia',
  slugs: (m) =>
    m.species.role === 'legume' && m.species.family === 'Fabaceae' && m.species.life === 'perennial',
  wireworm: (m) => m.species.role === 'grass',
  voles: (m) => m.species.role === 'legume' && m.species.season !== 'warm',
  'running-weeds': () => false,
  'annual-weeds': () => false,
};
const STARVES: Record<Trouble, (m: Member) => boolean> = {
  clubroot: (m) => m.species.family !== 'Brassicaceae' && m.species.role === 'grass',
  'white-mould': (m) => m.species.role === 'grass',
  'root-knot': (m) =>
    ['sunn-hemp', 'sorghum-sudangrass', 'cereal-rye', 'french-marigold'].includes(m.species.id),
  slugs: () => false,
  wireworm: (m) => m.species.role === 'brassica' || m.species.id === 'buckwheat',
  voles: () => false,
  'running-weeds': (m) =>
    ['sorghum-sudangrass', 'buckwheat'].includes(m.species.id) && m.species.worth.weeds > 0.8,
  'annual-weeds': (m) => m.species.worth.weeds >= 0.85,
};

export const feeds = (t: Trouble, m: Member): boolean => FEEDS[t](m);
export const starves = (t: Trouble, m: Member): boolean => STARVES[t](m);
