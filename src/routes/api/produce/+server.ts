import { json } from '@sveltejs/kit';
import { SOURCES } from '$core/tables/sources';
import { PRODUCE, waterOf } from '$core/tables/table';

/** The produce table, per 100 g of usable weight, with what each source key means. */
export const GET = () =>
  json({ sources: SOURCES, produce: PRODUCE.map((p) => ({ ...p, water: waterOf(p) })) });
