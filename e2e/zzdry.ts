import { readFileSync, writeFileSync } from 'node:fs';
import { siteFromNormals } from '../src/core/climate/normals.ts';
import { places } from '../src/catalogue/places.ts';
const g = JSON.parse(readFileSync('demo/north-shore.kilim.json', 'utf8'));
const fit = siteFromNormals(places.find((p) => p.name.startsWith('Phoenix'))!);
if (!fit.ok) throw 1;
g.garden.site = { ...g.garden.site, ...fit.value };
const s = JSON.stringify(g).replaceAll('north-shore', 'dry-wash').replaceAll('North Shore', 'Dry Wash');
writeFileSync('/tmp/w/dry.kilim.json', s);
