import { addition } from './addition';
import { blended } from './blend';
import { bottled } from './bottle';
import { caution } from './caution';
import { fruitOut } from './fruit-out';
import { labelled } from './label';
import { loss } from './loss';
import { note } from './note';
import { observation } from './observation';
import { opened } from './open';
import { photo } from './photo';
import { pitch } from './pitch';
import { place } from './place';
import { planned } from './planned';
import { reading } from './reading';
import { sample } from './sample';
import { shelved } from './shelve';
import { steep } from './steep';
import { steepOut } from './steep-out';
import { step } from './step';
import { stir } from './stir';
import { tasting } from './tasting';
import { timer } from './timer';
import { topUp } from './top-up';
import { transferred } from './transfer';
import { voided } from './void';

/** Every kind of event there is, by its name. */
export const EVENTS = {
  planned,
  addition,
  pitch,
  stir,
  reading,
  observation,
  place,
  'fruit-out': fruitOut,
  steep,
  'steep-out': steepOut,
  'top-up': topUp,
  sample,
  loss,
  blend: blended,
  transfer: transferred,
  note,
  photo,
  tasting,
  bottle: bottled,
  open: opened,
  shelve: shelved,
  label: labelled,
  step,
  timer,
  caution,
  void: voided
};
