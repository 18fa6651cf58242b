export { Act } from './Act';
export { BottomSheet } from './BottomSheet';
export { Options } from './Options';
export { Words } from './Words';
