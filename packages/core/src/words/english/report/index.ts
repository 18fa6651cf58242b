/** A job's report, told: the customer's page first, then what whoever comes next needs. */
import type { Paper } from '../../../formats';
import type { CautionCode, Report } from '../../../record';
import type { ReportStyle } from './style';
import { customerPage } from './customer';
import { broughtText } from '../record';
import { showTime } from './style';
import { system, settings, landings } from './wiring';
import { readings, tests } from './proof';
import { buildingSection, logOf, openThings, photographs, seal } from './history';

const CAUTIONS: Readonly<Record<CautionCode, string>> = {
  dead: 'Power off, locked and proven dead before a hand goes in: a meter on a known live point, then here, then the live point again.',
  line: 'Line voltage and 24 V share compartments. What is not yours to open belongs to who is licensed for it.',
  capacitor: 'Capacitors hold charge after the power is off.',
  gas: 'Gas appliance: limits, pressure switches and roll-out switches are never defeated.',
  smoke:
    'Smoke and fire devices may be reserved to licensed people, and the panel is put on test before anything is touched.',
  bypass: 'A safety is bypassed: somebody stands by, or the unit stays off.',
  code: 'Local code, the equipment’s own diagram and licensed practice win over this report.',
};

/** The whole report as a paper. */
export function reportPaper(report: Report, style: ReportStyle): Paper {
  const { job, firm, written, cautions } = report;
  const brought = job.broughtBy === null ? '' : broughtText(job.broughtBy, null);
  const lines = [job.address, firm.name, firm.contact, `Report of ${showTime(written, style)}`, brought];
  return {
    title: `${job.site}: ${job.name}`,
    under: lines.map((line) => line.trim()).filter((line) => line !== ''),
    sections: [
      ...customerPage(report, style),
      {
        title: 'For the next technician',
        blocks: [{ type: 'list', items: cautions.map((code) => CAUTIONS[code]) }],
        apart: true,
      },
      system(report),
      landings(report),
      settings(report, style),
      tests(report, style),
      readings(report, style),
      openThings(report, style),
      logOf(report, style),
      ...buildingSection(report),
      photographs(report, style),
      seal(report),
    ],
  };
}
