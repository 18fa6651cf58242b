/**
 * Ways to land a thermostat when conductors are short or two transformers meet one screw. Each is built
 * as a circuit, so that it can be run through the model and compared with the others.
 */
export { newCable, wireless } from './cable';
export type { SwapContext, Alternative, Method } from './context';
export { isolationRelay } from './isolation';
export { batteries, fanToCommon, plugIn } from './power';
export { share } from './share';
export { straight } from './straight';
