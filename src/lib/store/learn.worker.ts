import { expose } from 'comlink';
import { learnDue } from './learn';

const api = { learnDue };
export type LearnApi = typeof api;

expose(api);
