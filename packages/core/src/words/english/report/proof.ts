/** Of a report: what was read and tested, beside what was expected. */
import type { Section } from '../../../formats';
import type { Report, ReportTest, Tested } from '../../../record';
import type { Names } from '../../names';
import type { Units } from '../../units';
import type { ReportStyle } from './style';
import { namesIn } from '../../names';
import { capital } from '../../phrases';
import { showAmps, showDuration, showTemperature, showVolts } from '../../show';
import { expectedFigureText, figureText } from '../reading';
import { OUTCOME, OUTDATED, loadText, testTitle } from '../record';
import { table, showTime } from './style';

const VERDICTS = { agrees: 'agrees', low: 'too low', high: 'too high' } as const;

export const readings = ({ left, readings: all }: Report, style: ReportStyle): Section => {
  const { node } = namesIn(left);
  return {
    title: 'Readings',
    blocks: table(
      ['When', 'Red, black', 'Call', 'Expected, limits', 'Read', ''],
      all.map(({ at, red, black, situation, expected, actual, unit, verdict }) => [
        showTime(at, style),
        `${node(red)}, ${node(black)}`,
        situation,
        expectedFigureText(expected, unit),
        figureText(actual, unit),
        VERDICTS[verdict],
      ]),
      'No reading was logged.',
    ),
  };
};

/** What a test should show. */
function expectedText(names: Names, { expected }: ReportTest, units: Units): string {
  if (!expected) return 'The circuit was changed since; it has no such test any more.';
  const parts: string[] = [];
  if ('stops' in expected && expected.stops.length > 0)
    parts.push(`stops: ${expected.stops.map((key) => loadText(names, key)).join(', ')}`);
  if ('runs' in expected && expected.runs.length > 0)
    parts.push(`runs: ${expected.runs.map((key) => loadText(names, key)).join(', ')}`);
  if ('afterS' in expected && expected.afterS > 1) parts.push(`within ${showDuration(expected.afterS)}`);
  if ('againS' in expected && expected.againS !== null)
    parts.push(`put back, all runs again within ${showDuration(expected.againS)}`);
  for (const { red, black, volts } of expected.readings)
    parts.push(`${names.node(red)} to ${names.node(black)} ${showVolts(volts)} V`);
  if ('amps' in expected)
    for (const { device, amps } of expected.amps) parts.push(`${names.device(device)} ${showAmps(amps)}`);
  if ('outdoorC' in expected && expected.outdoorC !== null)
    parts.push(`not under ${showTemperature(expected.outdoorC, units.temperature)} outdoors`);
  return capital(parts.join('; ') || 'nothing runs');
}

/** How a test went, what was read and what was said. */
function testedText({ node }: Names, { outcome, readings: read, text }: Tested): string {
  const figures = read.map(({ red, black, volts }) => `${node(red)} to ${node(black)} ${showVolts(volts)} V`);
  return [OUTCOME[outcome], ...figures, ...(text ? [text] : [])].join('; ');
}

export function tests({ left, tests: all }: Report, style: ReportStyle): Section {
  const names = namesIn(left);
  return {
    title: 'Tests',
    blocks: table(
      ['Test', 'Should show', 'Was', 'When, by'],
      all.map((one) => [
        one.expected ? testTitle(names, one.expected) : one.tested!.title,
        expectedText(names, one, style.units),
        [one.tested ? testedText(names, one.tested) : 'not run', ...(one.isOutdated ? [OUTDATED] : [])].join(
          '; ',
        ),
        one.tested ? `${showTime(one.tested.at, style)}, ${one.tested.by}` : '',
      ]),
      'There is nothing to test.',
    ),
  };
}
