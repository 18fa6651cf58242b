import {
  mdiAlertOutline,
  mdiArchiveOutline,
  mdiArrowLeft,
  mdiCheckCircleOutline,
  mdiChevronDown,
  mdiChevronRight,
  mdiChevronUp,
  mdiFitToScreenOutline,
  mdiClockOutline,
  mdiClose,
  mdiCogOutline,
  mdiClipboardTextSearchOutline,
  mdiShieldCheckOutline,
  mdiSineWave,
  mdiMinus,
  mdiCameraOutline,
  mdiDeleteOutline,
  mdiChevronLeft,
  mdiDotsVertical,
  mdiFileUploadOutline,
  mdiHelpCircleOutline,
  mdiInformationOutline,
  mdiMagnify,
  mdiPlus,
  mdiRedo,
  mdiThemeLightDark,
  mdiTrayArrowDown,
  mdiUndo,
  mdiCheckboxMarkedOutline,
  mdiCheckboxBlankOutline,
  mdiScrewdriver,
  mdiPrinterOutline,
  mdiClipboardCheckOutline,
} from '@mdi/js';
import Svg, { Path } from 'react-native-svg';

const PATHS = {
  alert: mdiAlertOutline,
  archive: mdiArchiveOutline,
  back: mdiArrowLeft,
  check: mdiCheckCircleOutline,
  'chevron-down': mdiChevronDown,
  'chevron-right': mdiChevronRight,
  'chevron-up': mdiChevronUp,
  fit: mdiFitToScreenOutline,
  clock: mdiClockOutline,
  close: mdiClose,
  export: mdiTrayArrowDown,
  help: mdiHelpCircleOutline,
  import: mdiFileUploadOutline,
  info: mdiInformationOutline,
  magnify: mdiMagnify,
  more: mdiDotsVertical,
  plus: mdiPlus,
  minus: mdiMinus,
  settings: mdiCogOutline,
  survey: mdiClipboardTextSearchOutline,
  plan: mdiShieldCheckOutline,
  trace: mdiSineWave,
  camera: mdiCameraOutline,
  delete: mdiDeleteOutline,
  'chevron-left': mdiChevronLeft,
  redo: mdiRedo,
  theme: mdiThemeLightDark,
  undo: mdiUndo,
  checked: mdiCheckboxMarkedOutline,
  unchecked: mdiCheckboxBlankOutline,
  wire: mdiScrewdriver,
  print: mdiPrinterOutline,
  record: mdiClipboardCheckOutline,
} as const;

export type IconName = keyof typeof PATHS;

interface IconProps {
  name: IconName;
  size?: number;
  color: string;
}

/** One of the shipped icons, as a path; it says nothing to a screen reader. */
export function Icon({ name, size = 24, color }: IconProps) {
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <Path d={PATHS[name]} fill={color} />
    </Svg>
  );
}

/** Lets Paper's own components draw the shipped icons by name. */
export function paperIcon({ name, size, color }: { name: unknown; size: number; color?: string }) {
  return typeof name === 'string' && name in PATHS ? (
    <Icon name={name as IconName} size={size} color={color ?? '#000000'} />
  ) : null;
}
