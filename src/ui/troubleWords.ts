import { type Trouble } from '../core/stand/troubles.ts';

export const TROUBLE_WORDS: Record<Trouble, string> = {
  clubroot: 'clubroot',
  'white-mould': 'white mould',
  'root-knot': 'root-knot nematodes',
  slugs: 'slugs',
  wireworm: 'wireworm',
  voles: 'voles',
  'running-weeds': 'running weeds',
  'annual-weeds': 'annual weeds',
};
