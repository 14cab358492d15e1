import { BadInput } from '@/core/badInput';
import { type Chain, chainOf } from '@/core/causes/chain';
import { diagnoseOnPlaces, type PlacedDiagnosis } from '@/core/causes/diagnosePlaced';
import { type LookNext, lookNext } from '@/core/causes/lookNext';
import type { Network } from '@/core/causes/network';
import { type HeardAt, placeNetwork, type Rates } from '@/core/causes/placeNetwork';
import type { Described } from '@/core/causes/places';
import type { CauseNetwork } from '@/model/causeNetwork';
import { onTask } from './madeOf';

/** What the page asks for: the network once, then what is known, as often as it changes. */
export interface CausesTask {
  readonly id: number;
  readonly place?: {
    readonly network: CauseNetwork;
    readonly type: Described;
    readonly rates: Rates;
    readonly heard: HeardAt;
  };
  readonly findings: Readonly<Record<string, boolean>>;
  readonly soft: Readonly<Record<string, number>>;
  /** Causes that are open on the screen: of those alone each piece of evidence is weighed. */
  readonly open: readonly string[];
}

export interface ToldCauses extends PlacedDiagnosis {
  readonly next: readonly LookNext[];
  readonly chain: Chain;
}

export type CausesMessage =
  | { readonly id: number; readonly ok: true; readonly told: ToldCauses }
  | { readonly id: number; readonly ok: false; readonly message: string };

const SHOWN = 60;
const NEXT = 3;
/** Causes that stand open where nobody has opened any. */
const OPENED = 2;
/** Of so many checks it is worked out what they would bring: one question may stand at many places. */
const TOLD = 60;
let world: { readonly network: CauseNetwork; readonly placed: Network } | undefined;

onTask<CausesTask>((task) => self.postMessage(answerTo(task)));

function answerTo({ id, place, findings, soft, open }: CausesTask): CausesMessage {
  try {
    if (place)
      world = {
        network: place.network,
        placed: placeNetwork(place.network, place.type, place.rates, place.heard),
      };
    if (!world) return { id, ok: false, message: 'The causes aren’t there yet.' };
    const { network, placed } = world;
    const known = { findings, soft };
    const told = diagnoseOnPlaces(placed, {
      ...known,
      ...{ top: SHOWN, risenOnly: true, weigh: open, weighFirst: OPENED, outcomesOf: TOLD },
    });
    const leading = open.length > 0 ? open : told.causes.slice(0, OPENED).map((cause) => cause.id);
    return {
      ...{ id, ok: true },
      told: {
        ...told,
        next: lookNext(network, told, NEXT),
        chain: chainOf(placed, told, known, leading.slice(0, OPENED)),
      },
    };
  } catch (error) {
    if (error instanceof BadInput) return { id, ok: false, message: error.message };
    throw error;
  }
}
