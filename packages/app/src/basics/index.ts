export { ActionButton } from './ActionButton';
export { BottomSheet } from './BottomSheet';
export { Column } from './Column';
export { Field } from './Field';
export { PageHead } from './PageHead';
export { SkipLink, WORK } from './SkipLink';
export { Options } from './Options';
export { AppText } from './AppText';
export * from './Waiting';
