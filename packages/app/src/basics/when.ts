/** Days and times on screen: of this device, in English, in the order its region writes them. */
import { englishOf } from '@zygostat/core/locale';

type Moment = string | number;

function teller(options: Intl.DateTimeFormatOptions) {
  const format = new Intl.DateTimeFormat(englishOf(navigator.language), options);
  // A narrow space is none of the type that ships with the app; a time and its half of the day stay on one line.
  return (at: Moment): string => format.format(new Date(at)).replace(/[\u202f ](?=[AP]M)/gi, '\u00a0');
}

const DAY = { month: 'short', day: 'numeric' } as const;
const TIME = { hour: 'numeric', minute: '2-digit' } as const;

/** "Dec 1, 10:12 AM" */
export const whenText = teller({ ...DAY, ...TIME });
/** "Dec 1, 2026, 10:12 AM" */
export const whenInYearText = teller({ ...DAY, ...TIME, year: 'numeric' });
/** "Dec 1, 2026" */
export const dayText = teller({ ...DAY, year: 'numeric' });
/** "10:12 AM" */
export const timeText = teller(TIME);
/** "10:12:05 AM" */
export const secondText = teller({ ...TIME, second: '2-digit' });
