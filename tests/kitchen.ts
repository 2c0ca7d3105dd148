import { expect, type Page } from './test';

/** Things a person does, by what they see on the page. */

/** Types an ingredient on the slip, as `4.1 kg rhubarb`, and takes the first thing offered. */
export async function addToSlip(page: Page, text: string) {
  await page.getByRole('combobox', { name: 'Add an ingredient' }).fill(text);
  await expect(
    page.getByRole('listbox', { name: 'What it could be' }).getByRole('option').first()
  ).toBeVisible();
  await page.keyboard.press('Enter');
}

export async function openPlan(page: Page) {
  await page.goto('/plan');
  await expect(page.getByRole('combobox', { name: 'Add an ingredient' })).toBeVisible();
}

/** Starts a rhubarb wine from an empty plan; ends on its page. */
export async function startRhubarb(page: Page) {
  await openPlan(page);
  await addToSlip(page, '4.1 kg rhubarb');
  // By the key: the page may still be finding its size, and a slow mouse would press beside it.
  await page.getByRole('button', { name: 'Start this batch' }).press('Enter');
  await expect(page.getByTestId('batch-sentence')).toContainText('Rhubarb, day 1');
}

/** Ways to measure that are not the usual, as Settings names them. */
export const SYSTEM_NAMES = {
  us: 'US: lb, US gal, °F',
  uk: 'UK: lb, UK gal, °C',
  mixed: 'Mixed: fruit in lb, liquid in L, °C'
} as const;

/** Chooses how this household measures, and waits until that is on the disk. Ends in Settings. */
export async function measureIn(page: Page, system: keyof typeof SYSTEM_NAMES) {
  await page.goto('/settings');
  await page.getByLabel(SYSTEM_NAMES[system]).check();
  await expect
    .poll(async () => JSON.stringify(await storeOf(page, 'settings')))
    .toContain(`"system":"${system}"`);
}

/** Goes to the page of a wine, by its name on the list. */
export async function openWine(page: Page, name: RegExp) {
  await page.goto('/batches');
  await page.getByRole('main').getByRole('link', { name }).first().click();
  await expect(page.getByTestId('batch-sentence')).toBeVisible();
}

/** Writes a gravity down on the batch page, as read some days ago. */
export async function read(page: Page, sg: string, temp: string, daysAgo = 0, vessel?: string) {
  await page.getByRole('button', { name: 'Read gravity' }).click();
  if (vessel) {
    const from = page.getByLabel('Read from');
    // Beside its name stands when it was last read.
    const option = from.locator('option').filter({ hasText: new RegExp(`^${vessel}(,|$)`) });
    await from.selectOption((await option.getAttribute('value'))!);
  }
  await page.getByRole('textbox', { name: 'Gravity', exact: true }).fill(sg);
  await page.getByLabel(/^Sample/).fill(temp);
  if (daysAgo > 0) await earlier(page, daysAgo);
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByRole('form', { name: 'Read gravity' })).toBeHidden();
}

/** Sets the moment of the open form some days back. */
export async function earlier(page: Page, daysAgo: number) {
  await page.getByRole('button', { name: 'It was earlier…' }).click();
  const at = await page.evaluate((d) => {
    const t = new Date(Date.now() - d * 86_400_000);
    return new Date(t.getTime() - t.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
  }, daysAgo);
  await page.getByLabel('When').fill(at);
}

export const number = async (page: Page, id: string) =>
  Number(await page.getByTestId(id).first().innerText());

/** Everything in one store of this browser. */
const storeOf = <T>(page: Page, name: string) =>
  page.evaluate(
    (name) =>
      new Promise<T[]>((resolve, reject) => {
        const open = indexedDB.open('vecino');
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const all = open.result.transaction(name).objectStore(name).getAll();
          all.onsuccess = () => {
            open.result.close();
            resolve(all.result as T[]);
          };
        };
      }),
    name
  );

/** Every event in this browser's log. */
export const logOf = (page: Page) =>
  storeOf<{ id: string; type: string; data: Record<string, unknown> }>(page, 'events');

/** Waits until what is being typed is on the disk. */
export const draftHolds = (page: Page, text: RegExp) =>
  expect.poll(async () => JSON.stringify(await storeOf(page, 'drafts'))).toMatch(text);

/** Ten lines that, with the sugar and the water, make a slip of twelve. */
export const TEN_ITEMS = [
  '1 kg rhubarb',
  '1 kg gooseberries',
  '500 g redcurrants',
  '300 g raisins',
  '200 g banana',
  '400 g apple',
  '1 L orange juice',
  '200 g lemon',
  '300 g honey',
  '20 g ginger'
];

type Index = { name: string; keyPath: string | string[]; unique: boolean; multiEntry: boolean };
type Kept = {
  name: string;
  keyPath: string | string[] | null;
  autoIncrement: boolean;
  indexes: Index[];
  rows: unknown[];
};
/** Everything a browser holds of a household, and when it was made, ms. */
type Household = { at: number; version: number; stores: Kept[] };

/** The made-up household as this worker made it first: making it anew each time is most of what it costs. */
let made: Household | null = null;
/** So long it is as alive as a new one, ms: its newest wine is of hours ago. */
const ALIVE_MS = 15 * 60_000;

const household = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<Household>((resolve, reject) => {
        const open = indexedDB.open('vecino');
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const db = open.result;
          const names = [...db.objectStoreNames];
          const read = db.transaction(names);
          const stores = names.map((name): Kept => {
            const store = read.objectStore(name);
            const kept: Kept = {
              name,
              keyPath: store.keyPath,
              autoIncrement: store.autoIncrement,
              indexes: [...store.indexNames].map((n) => {
                const { name, keyPath, unique, multiEntry } = store.index(n);
                return { name, keyPath, unique, multiEntry };
              }),
              rows: []
            };
            store.getAll().onsuccess = (e) => (kept.rows = (e.target as IDBRequest<unknown[]>).result);
            return kept;
          });
          read.oncomplete = () => {
            db.close();
            resolve({ at: Date.now(), version: db.version, stores });
          };
        };
      })
  );

const moveIn = (page: Page, there: Household) =>
  page.evaluate(
    ({ version, stores }) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('vecino', version);
        open.onerror = () => reject(open.error);
        open.onupgradeneeded = () => {
          for (const { name, keyPath, autoIncrement, indexes } of stores) {
            const store = open.result.createObjectStore(name, { keyPath, autoIncrement });
            for (const { name, keyPath, unique, multiEntry } of indexes)
              store.createIndex(name, keyPath, { unique, multiEntry });
          }
        };
        open.onsuccess = () => {
          const write = open.result.transaction(
            stores.map((s) => s.name),
            'readwrite'
          );
          for (const { name, rows } of stores) for (const row of rows) write.objectStore(name).put(row);
          write.onerror = () => reject(write.error);
          write.oncomplete = () => {
            open.result.close();
            resolve();
          };
        };
      }),
    there
  );

const isOnWalk = (page: Page) => expect(page.getByRole('heading', { level: 1 })).toContainText('on the walk');

/** The made-up household, on its first morning: made by its button, or as it was made so a few minutes ago. */
export async function demo(page: Page) {
  const now = await page.evaluate(() => Date.now());
  const isAlive =
    made && Math.abs(now - made.at) < ALIVE_MS && new Date(now).getDate() === new Date(made.at).getDate();
  if (made && isAlive) {
    // A page of the same origin that is no page of the app.
    await page.goto('/api/health');
    await moveIn(page, made);
    await page.goto('/');
    return isOnWalk(page);
  }
  await page.goto('/');
  await page.getByRole('button', { name: 'Look round with a made-up household' }).click();
  await isOnWalk(page);
  made = await household(page);
}

/** The page of one wine of the made-up household. */
export async function openDemo(page: Page, name: string) {
  await demo(page);
  await page.goto('/batches');
  await page
    .getByRole('main')
    .getByRole('link', { name: new RegExp(name) })
    .first()
    .click();
  await expect(page.getByTestId('batch-sentence')).toContainText(name);
}

/** Says a line on the wine's own page, and sees what it means, jar and all, before it is written. */
export async function sayLine(page: Page, line: string, ...meanings: RegExp[]) {
  await expect(page.getByTestId('batch-sentence')).toBeVisible();
  const box = page.getByLabel('Say it in one line');
  await expect(box).toBeHidden();
  await page.keyboard.press('/');
  await box.fill(line);
  for (const [i, meaning] of meanings.entries())
    await expect(page.getByTestId('means').nth(i)).toContainText(meaning);
  await page.keyboard.press('Enter');
  await expect(box).toBeHidden();
}

/** A wine begun at a moment from what goes in, and its page on any day after, clock and all. */
export async function live(
  page: Page,
  system: keyof typeof SYSTEM_NAMES,
  start: string,
  rows: readonly string[]
) {
  const from = Date.parse(start);
  await page.clock.setSystemTime(from);
  await measureIn(page, system);
  await openPlan(page);
  for (const row of rows) await addToSlip(page, row);
  await page.getByRole('button', { name: 'Start this batch' }).press('Enter');
  const sentence = page.getByTestId('batch-sentence');
  await expect(sentence).toContainText(', day 1');
  const url = page.url();
  const go = async (day: number) => {
    await page.clock.setSystemTime(from + day * 86_400_000);
    await page.goto(url);
    await expect(sentence).toBeVisible();
  };
  return { sentence, go };
}
