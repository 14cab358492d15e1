import { shippedCatalogs } from '@/catalog/shipped';
import { shippedUnitTypes } from '@/catalog/unitTypes';
import { diagnoseOnPlaces } from '@/core/causes/diagnosePlaced';
import { sampled } from '@/core/causes/inference/sampled';
import { inOrder } from '@/core/causes/network';
import { placeNetwork } from '@/core/causes/placeNetwork';

/* The shipped network on the five-speed box, with sixty findings of which every sixth is seen. */

const type = shippedUnitTypes().find(({ id }) => id === 'skell-five')!;
const network = shippedCatalogs()['cause-network'];
const placed = placeNetwork(network, type);
const order = inOrder(placed);
const excluded = new Set(network.nodes.flatMap(({ id, excludes }) => (excludes ? [id] : [])));
const findings = Object.fromEntries(
  placed.nodes
    .filter(({ kind }) => kind === 'finding')
    .filter((_, at) => at % 4 === 0)
    .slice(0, 60)
    .map(({ id }, at) => [id, at % 6 === 0 && !excluded.has(id)]),
);
/** Draws after which the sampler is stopped; with so much known it is far from its 2 500 by then. */
const DRAWS = 10_000;

export const allMarginals = () => diagnoseOnPlaces(placed, { findings, rankOnly: true });
export const lookAtNext = () => diagnoseOnPlaces(placed, { findings, weigh: ['none'], top: 60 });
export const likelihoodWeighting = () =>
  sampled(order, { hard: new Map(Object.entries(findings)), soft: new Map() }, { enough: 2500, most: DRAWS });
