import type { Catalogs } from '@/model/catalogs';
import type { Caution } from '@/model/caution';
import type { Family } from '@/model/damage';
import type { StationId } from '@/model/job';

type WithCautions = Pick<Catalogs, 'cautions'>;

const all = ({ cautions }: WithCautions): readonly Caution[] => cautions.cautions;

export const cautionsForFamily = (catalogs: WithCautions, family: Family): Caution[] =>
  all(catalogs).filter(({ applies }) => applies.families?.includes(family));
/** What is minded at a station, whatever part is in hand. */
export const cautionsForStation = (catalogs: WithCautions, station: StationId): Caution[] =>
  all(catalogs).filter(({ applies }) => applies.stations?.includes(station));
export const cautionById = (catalogs: WithCautions, id: string): Caution | undefined =>
  all(catalogs).find((caution) => caution.id === id);
export const cautionsForReport = (catalogs: WithCautions): Caution[] =>
  all(catalogs).filter(({ applies }) => applies.report);
