import { describe, expect, it } from 'vitest';
import { scoreAlike } from './alike';

const cause = (id: string, probability: number) => ({ id, probability, prior: 0.05, for: [], against: [] });
const check = (ifSeen: string, ifAbsent: string) => ({
  ...{ finding: 'f', node: {} as never, expectedBits: 0.3, minutes: 5 },
  ifSeen: { leading: ifSeen, probability: 0.8 },
  ifAbsent: { leading: ifAbsent, probability: 0.7 },
});

describe('causes that score alike', () => {
  it('are told with what would decide between them', () => {
    const causes = [cause('low', 0.42), cause('wrong', 0.38), cause('old', 0.05)];
    expect(scoreAlike(causes, [check('low', 'low'), check('wrong', 'low')])).toMatchObject({
      causes: ['low', 'wrong'],
      decides: { ifSeen: { leading: 'wrong' } },
    });
    expect(scoreAlike(causes, [])).toMatchObject({ decides: undefined });
  });

  it('are none where one leads clearly, where both are sure, or where neither is worth it', () => {
    expect(scoreAlike([cause('low', 0.7), cause('wrong', 0.2)], [])).toBeUndefined();
    expect(scoreAlike([cause('low', 0.97), cause('weak', 0.96)], [])).toBeUndefined();
    expect(scoreAlike([cause('low', 0.08), cause('wrong', 0.07)], [])).toBeUndefined();
  });
});
