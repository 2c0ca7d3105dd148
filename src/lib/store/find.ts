import { db } from './db';

/** So many of what is found in words. */
const MOST = 30;
export type Found = { id: string; batchId: string; at: number; text: string };

/** Notes, tastings and photos whose words hold all that is looked for, newest first. */
export async function findInWords(text: string): Promise<Found[]> {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0 || text.trim().length < 3) return [];
  const found: Found[] = [];
  const voided = new Set<string>();
  await db.events
    .where('type')
    .anyOf(['note', 'tasting', 'photo', 'open', 'void'])
    .each((e) => {
      if (e.type === 'void') return void voided.add(e.data.eventId);
      const said =
        e.type === 'note'
          ? e.data.text
          : e.type === 'tasting'
            ? `${e.data.text} ${e.data.nextTime ?? ''}`
            : e.type === 'photo'
              ? (e.data.caption ?? '')
              : e.type === 'open'
                ? (e.data.to ?? '')
                : '';
      const low = said.toLowerCase();
      if (low && words.every((w) => low.includes(w)))
        found.push({ id: e.id, batchId: e.batchId, at: Date.parse(e.at), text: said.trim() });
    });
  return found
    .filter((f) => !voided.has(f.id))
    .sort((a, b) => b.at - a.at)
    .slice(0, MOST);
}
