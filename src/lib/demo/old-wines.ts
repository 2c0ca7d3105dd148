import { letGo, shelve } from '$core/commands/cellar';
import { bottle, rack, takeFruitOut } from '$core/commands/move';
import { taste } from '$core/commands/observe';
import type { EventData } from '$core/ledger/log';
import type { Cell } from '$core/ledger/events/cell';
import type { LeftBy } from '$core/ledger/events/open';
import type { Plan } from '$core/plan/plan';
import type { Rack } from '$core/vessels/rack';
import { fruit, plan, type Pen } from './household';

export const RACKS: Rack[] = [
  { id: 'rack-stairs', name: 'Under the stairs', rows: 4, cols: 8 },
  { id: 'rack-shed', name: 'Shed, north wall', rows: 3, cols: 6 }
];

/** Places of a rack, row by row, from one on. */
const places = (rack: Rack, from: number, count: number): Cell[] =>
  Array.from({ length: count }, (_, i) => ({
    rackId: rack.id,
    row: Math.floor((from + i) / rack.cols),
    col: (from + i) % rack.cols
  }));

type Bottles = EventData<'bottle'>['bottles'];

/** The cellar: three years of wines, tasted, given away and drunk. */
export async function makeOldWines(pen: Pen, { rhubarb }: { rhubarb: string }): Promise<void> {
  const { did, begin, treat, read, ago, state } = pen;
  const [stairs, shed] = RACKS as [Rack, Rack];

  /** A wine from its fruit to its bottles: begun, off its fruit after nine days, racked twice, read dry, bottled. */
  const make = async (
    what: Plan,
    name: string,
    days: number,
    inBottle: number,
    bottles: Bottles,
    sg = 1.085
  ) => {
    const id = await begin(what, name, 'bucket-15', ago(days));
    await treat(id, days);
    await read(id, days - 1.6, sg);
    await did(ago(days - 9), takeFruitOut(id, 'drip', undefined));
    await did(ago(days - 10), rack(id, 'bucket-15', [{ vesselId: 'jar-10', volumeL: 8.6 }], 0.5));
    await did(ago(days - 55), rack(id, 'jar-10', [{ vesselId: 'jar-10-b', volumeL: 8.3 }], 0.2));
    await read(id, inBottle + 11, 0.993);
    await read(id, inBottle + 1, 0.993);
    await did(ago(inBottle), bottle(id, { from: 'jar-10-b', bottles, bar20: 0, clear: true, emptied: true }));
    return id;
  };
  const filling = (id: string, days: number) => state(id, ago(days).at).bottled[0]!;
  const leave = (id: string, days: number, count: number, how: LeftBy = 'opened', to?: string) =>
    did(ago(days), letGo(id, filling(id, days), null, { count, how, to }));
  const lay = (id: string, days: number, cells: Cell[]) =>
    did(ago(days), shelve(id, filling(id, days), 0, cells));

  await lay(rhubarb, 148, places(stairs, 0, 10));
  await did(
    ago(20),
    taste(rhubarb, 'The rhubarb comes late. Clean, pale straw.', 3, '', {
      words: ['bright', 'of-the-fruit', 'too-sharp'],
      when: 'young'
    })
  );
  await leave(rhubarb, 20, 1);

  const damson = await make(plan([fruit('damson', 3)], 12.5, 9), 'Damson', 400, 289, [
    { count: 11, sizeL: 0.75, type: 'still' }
  ]);
  await lay(damson, 288, places(stairs, 16, 9));
  await leave(damson, 180, 1, 'given', 'the neighbours');
  await did(
    ago(60),
    taste(damson, 'Dark, round, a hint of almond.', 5, 'The same again.', {
      words: ['deep', 'of-the-fruit', 'balanced', 'round'],
      when: 'ready'
    })
  );
  await leave(damson, 60, 1);
  await leave(damson, 24, 1, 'given', 'the choir');

  const older = await make(plan([fruit('damson', 3.4)], 12.5, 9), 'Old damson', 765, 679, [
    { count: 11, sizeL: 0.75, type: 'still' }
  ]);
  await lay(older, 678, places(shed, 0, 6));
  await leave(older, 420, 3);
  await did(
    ago(300),
    taste(older, 'The tannin has gone soft; two years were right.', 4, '', { words: ['balanced', 'round'] })
  );
  await leave(older, 300, 2);
  await leave(older, 90, 1, 'broken');

  const currant = await make(
    plan([fruit('blackcurrant', 3.2)], 12, 9, 'red-fruit'),
    'Blackcurrant',
    690,
    560,
    [
      { count: 8, sizeL: 0.75, type: 'still' },
      { count: 6, sizeL: 0.375, type: 'still' }
    ]
  );
  await lay(currant, 559, places(shed, 6, 6));
  await leave(currant, 310, 4);
  await did(
    ago(330),
    taste(currant, 'Needs a winter more.', 3, '', { words: ['deep', 'harsh'], when: 'young' })
  );

  const apple = await make(
    plan([{ kind: 'juice', produceId: 'apple', volumeL: 8.6, unit: 'L', held: true }], 8, 9, 'ale'),
    'Apple',
    430,
    330,
    [{ count: 16, sizeL: 0.5, type: 'crown' }],
    1.057
  );
  await leave(apple, 200, 6);
  await leave(apple, 110, 4, 'swapped', 'a jar of honey');
}
