import { beforeAll, describe, expect, it } from 'vitest';
import { SYSTEMS, DEFAULT_SETTINGS, type Settings } from '$core/units/settings';
import { DEMO_NOW, demoHousehold } from '$lib/demo/household.fixture';
import { asBatches, type Batch } from '$lib/store/as-batches';
import { db } from '$lib/store/db';
import { batchSentence, plainText } from './batch-sentence';

const DAY = 86_400_000;
/** Names of vessels are the household's own, and bottles are told by what stands on them. */
const OWN_NAME =
  /\b(?:\d+ L|1 UK gal|1 US gal|5 US gal|6 US gal) (?:bucket|jar|bottle|carboy|demijohn|barrel)\w*|× [\d.]+ m?L\b/g;
/** What a household of each system does not measure in. */
const FOREIGN: Record<keyof typeof SYSTEMS, RegExp> = {
  metric: /\d\s?(?:lb|oz|°F|US \w+|UK \w+)(?![\w/])/,
  us: /\d\s?(?:kg|L|mL|°C|UK \w+)(?![\w/])/,
  uk: /\d\s?(?:kg|L|mL|°F|US \w+)(?![\w/])/,
  mixed: /\d\s?(?:kg|°F|US \w+|UK \w+)(?![\w/])/
};
const settingsOf = (id: keyof typeof SYSTEMS): Settings => {
  const { mass, volume, temp } = SYSTEMS[id];
  return { ...DEFAULT_SETTINGS, system: id, mass, volume, temp };
};

describe('the sentence of a wine', () => {
  let moments: { now: number; batches: Batch[] }[] = [];
  beforeAll(async () => {
    await demoHousehold(DEMO_NOW);
    const rows = await db.summaries.toArray();
    moments = [0, 1, 5, 30, 200, 800].map((days) => {
      const now = DEMO_NOW + days * DAY;
      return { now, batches: asBatches(rows, now).batches };
    });
  });

  const each = (look: (says: string, batch: Batch, now: number, id: keyof typeof SYSTEMS) => void) => {
    for (const { now, batches } of moments)
      for (const batch of batches)
        for (const id of Object.keys(SYSTEMS) as (keyof typeof SYSTEMS)[])
          look(plainText(batchSentence(batch, { now, settings: settingsOf(id) })), batch, now, id);
  };

  it('begins with its name and day, ends whole, and holds no hole, on any day', () => {
    let seen = 0;
    each((says, batch) => {
      seen += 1;
      expect(says.startsWith(`${batch.state.name}, day ${batch.standing.day}. `), says).toBe(true);
      expect(says).toMatch(/[.)]$/);
      expect(says).not.toMatch(/undefined|null|NaN|Infinity|\. ?\.| [,.;:]|[,;:][.,;:]|\(\)/);
    });
    expect(seen).toBeGreaterThan(100);
  });

  it('speaks in the household’s units, as do the lines that tell how a figure came about', () => {
    each((_, batch, now, id) => {
      for (const p of batchSentence(batch, { now, settings: settingsOf(id) }))
        for (const text of [p.text, ...(p.how?.lines ?? [])])
          expect(text.replace(OWN_NAME, ''), `${id}: ${text}`).not.toMatch(FOREIGN[id]);
    });
  });

  it('says no gravity and no strength that the lists do not have', () => {
    each((says, { standing, says: known }) => {
      if (known.reading === 'never' && standing.stage !== 'bottled')
        expect(says).not.toMatch(/^[^.]*\. 1\.\d{3}/);
      if (standing.stage === 'gone') expect(says).not.toMatch(/%/);
    });
  });
});
