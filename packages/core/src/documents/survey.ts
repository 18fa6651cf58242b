import { fields, list, map, set, value } from '../merge';
import type { Survey } from '../survey';
import { EMPTY_SURVEY, surveyProblems } from '../survey';
import { findTemplate } from '../systems';
import type { DocumentKind } from './declare';
import { asIs } from './declare';

const runEnd = fields({ station: value(), terminals: set(), bare: set() });

/** What was answered of the system, the runs that are recorded, and the diagram of an outdoor unit. */
export const surveyKind: DocumentKind<Survey> = {
  owner: 'jobs',
  name: 'survey',
  empty: EMPTY_SURVEY,
  part: fields({
    answers: map(),
    system: value(),
    runs: list(fields({ from: runEnd, to: runEnd }), 'cable'),
    seen: set(),
    unit: fields({ wires: list(fields({})), walked: set() }),
  }),
  readIn: asIs,
  problems: (given) => {
    const problems = surveyProblems(given);
    if (problems.length > 0) return problems;
    const { system } = given as Survey;
    return system === null || findTemplate(system)
      ? []
      : [{ path: 'system', message: 'must be one of the ready systems, or null' }];
  },
  about: ({ system }) => {
    const template = system === null ? undefined : findTemplate(system);
    return template && { system: template.title };
  },
};
