export { Act } from './Act';
export { BottomSheet } from './BottomSheet';
export { Column } from './Column';
export { Options } from './Options';
export { Words } from './Words';
export * from './Waiting';
