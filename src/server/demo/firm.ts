/** What the demonstration firm keeps on its shelf: a card that a boat has fallen behind, a set of house rules, a scratch line. */
import { blankLoad, cardFrom, defaultHouse } from '@/core/design';
import type { Db } from '../database';
import { putOnShelf } from '../shelf';

/** The card of the refrigerator that Marram uses; its fuse was corrected after she was drawn up. */
export const FRIDGE_CARD = 'card-fridge';

export function seedShelf(db: Db, now: number): void {
  const fridge = cardFrom(
    {
      ...blankLoad('x', 12),
      name: 'Refrigerator compressor, air cooled',
      group: 'refrigeration',
      ratingBy: 'A',
      rating: 5.8,
      mark: "maker's",
      research: 'researched',
      runsLong: true,
      connection: 'blade',
      surgeA: 20,
      surgeS: 0.5,
      makerFuseA: 15,
      makerWire: [
        { school: 'metric', size: '2.5', upToM: 2.5 },
        { school: 'metric', size: '4', upToM: 4 },
        { school: 'metric', size: '6', upToM: 6 },
      ],
      maxLeadM: 6,
      minBankAh: 90,
      page: 'installation sheet, page 4',
      questions: 'Does the second speed change the fuse?',
    },
    FRIDGE_CARD,
  );
  putOnShelf(db, 'card', fridge, null, now);
  const house = {
    ...defaultHouse('metric'),
    criticalDropPct: 2.5,
    protectionOverLoadMost: 2,
    minElectronics: { school: 'metric' as const, size: '1.5' },
  };
  putOnShelf(db, 'house', { id: 'house-refit', name: 'Refit, offshore', school: 'metric', house }, null, now);
  putOnShelf(db, 'line', { id: 'line-one', name: '140 W pump 24 V 7 m engine space', school: 'metric' }, null, now);
}
