import { useMemo } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { UnitDiagram } from '@zygostat/core/unit';
import { diagramOf } from '@zygostat/core/unit';
import { useAppSelector } from '../../store';
import { useSurveyEdit } from '../survey/useSurvey';

/** The diagram of the job's outdoor unit: the one that was typed, or the one its ready system brings. */
export function useUnit(circuit: Circuit) {
  const kept = useAppSelector(({ survey }) => survey.value.unit);
  const edit = useSurveyEdit();
  const ready = useMemo(() => diagramOf(circuit), [circuit]);
  const diagram = kept ?? ready;
  return {
    diagram,
    /** Changes the circuit and the diagram with it; one edit to undo. */
    change: (
      note: string,
      to: (now: Circuit, unit: UnitDiagram) => { circuit?: Circuit; unit?: UnitDiagram },
    ) =>
      edit(note, (now, survey) => {
        // A ready system's diagram is what it was before anything was found otherwise.
        const before = survey.unit ?? diagramOf(now);
        const { circuit: after = now, unit = before } = to(now, before);
        return { circuit: after, survey: { ...survey, unit } };
      }),
  };
}

/** Station of the outdoor unit: where its wires are, or will be. */
export const unitPlace = ({ stations }: Circuit): string | null =>
  stations.find(({ kind }) => kind === 'outdoor')?.id ?? null;
