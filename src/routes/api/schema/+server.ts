import { json, type RequestHandler } from '@sveltejs/kit';
import { z } from 'zod';
import { eventSchema } from '$core/ledger/log';
import { entrySchema } from '$core/ledger/things';
import { ownMethodSchema } from '$core/plan/methods';
import { recipeSchema } from '$core/must/recipe';
import { ingredientSchema, planSchema, goalsSchema } from '$core/plan/plan-schema';
import { harvestLotSchema } from '$core/plan/harvest';
import { ownProduceSchema } from '$core/tables/produce-schema';
import { vesselSchema } from '$core/vessels/vessel-schema';
import { fileSchema } from '$lib/files/vecino-file';
import { amountAnswerSchema, amountRequestSchema } from '../amount-request';
import { batchRequestSchema } from '../batch-request';
import { forecastRequestSchema } from '../forecast/request';
import { finishAnswerSchema, finishRequestSchema } from '../finish/request';
import { phraseAnswerSchema, phraseRequestSchema } from '../phrase/request';
import { settingsSchema } from '$core/units/settings-schema';

/** Everything that is stored, exported or sent, under its name. */
const SCHEMAS = {
  plan: planSchema,
  target: goalsSchema,
  ingredient: ingredientSchema,
  event: eventSchema,
  vessel: vesselSchema,
  produce: ownProduceSchema,
  settings: settingsSchema,
  recipe: recipeSchema,
  harvestLot: harvestLotSchema,
  method: ownMethodSchema,
  entry: entrySchema,
  file: fileSchema,
  batchRequest: batchRequestSchema,
  forecastRequest: forecastRequestSchema,
  amountRequest: amountRequestSchema,
  amountAnswer: amountAnswerSchema,
  finishRequest: finishRequestSchema,
  finishAnswer: finishAnswerSchema,
  phraseRequest: phraseRequestSchema,
  phraseAnswer: phraseAnswerSchema
} as const;

/** JSON Schema (draft 2020-12) of all of it, made from what the app itself checks with. */
export const GET: RequestHandler = () =>
  json(
    Object.fromEntries(
      Object.entries(SCHEMAS).map(([name, schema]) => [name, z.toJSONSchema(schema, { io: 'input' })])
    )
  );
