/** The model, off the interface's thread: the bench has one of these, a proof another that can be ended. */
import { expose } from 'comlink';
import { makeModel } from './answers';

expose(makeModel());
