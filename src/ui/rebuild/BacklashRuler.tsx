import type { SetUp } from '@/core/rebuild/setUp';
import { RulerOfMarks } from './RulerOfMarks';

/** The backlash's mean against its band: found first, now, and what the advised move would bring with its doubt. */
export function BacklashRuler({ setUp }: { readonly setUp: Pick<SetUp, 'band' | 'means' | 'advice'> }) {
  const { band, means, advice } = setUp;
  if (!band || means.length === 0) return null;
  const after = advice?.predicted?.backlash;
  return (
    <RulerOfMarks
      name="Backlash"
      unit="mm"
      found={means[0]}
      now={means.at(-1)!}
      after={after?.value}
      afterDoubt={after?.deviation}
      band={band}
      aim={band.aim}
    />
  );
}
