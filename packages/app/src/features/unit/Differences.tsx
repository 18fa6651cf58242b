import type { Remote } from 'comlink';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Told, UnitDiagram, UnitReport } from '@zygostat/core/unit';
import {
  UNIT_VERDICT,
  differenceTitle,
  foundText,
  namesIn,
  violationText,
  wireEnds,
  wireTitle,
  counted,
} from '@zygostat/core/words';
import { ActionButton, AppText } from '../../basics';
import type { Model } from '../../model/answers';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { useOpenDocument } from '../job/useOpenDocument';
import { ProofLine } from '../plan/ProofLine';
import { planDocument } from '../plan/document';
import { Working } from '../plan/Working';
import type { Progress } from '../plan/useAside';
import { useAside } from '../plan/useAside';
import { useTakePlan } from '../plan/usePlan';
import { goTo } from '../job/address';

interface Question {
  circuit: Circuit;
  diagram: UnitDiagram;
}

const ask = (
  model: Remote<Model>,
  { circuit, diagram }: Question,
  tell: (what: Progress['what'], done: number, all: number) => void,
): Promise<UnitReport> => model.unit(circuit, diagram, tell);

const stays = ({ verdict }: Told) => verdict === 'stay' || verdict === 'equal';

function DifferenceCard({ circuit, told }: { circuit: Circuit; told: Told }) {
  const t = useTokens();
  const names = namesIn(circuit);
  const ink = stays(told) ? t.amber : t.red;
  return (
    <View role="listitem" style={[styles.card, { borderColor: ink, backgroundColor: t.card }]}>
      <View style={styles.row}>
        <Icon name={stays(told) ? 'check' : 'alert'} size={20} color={ink} />
        <AppText kind="strong" style={styles.grow}>
          {differenceTitle(told.difference)}
        </AppText>
      </View>
      {told.difference
        .flatMap((wire) => foundText(names, wire))
        .map((text) => (
          <AppText key={text}>{text}</AppText>
        ))}
      {told.does.map((finding) => (
        <AppText key={`${finding.property} ${finding.about}`} color={ink}>
          {`• ${violationText(names, finding)}`}
        </AppText>
      ))}
      <AppText>{UNIT_VERDICT[told.verdict]}</AppText>
    </View>
  );
}

function Report({ jobId, circuit, report }: { jobId: string; circuit: Circuit; report: UnitReport }) {
  const take = useTakePlan();
  const names = namesIn(circuit);
  const { told, undrawn, mended, asFound } = report;
  const toDo = told.some((one) => !stays(one));
  const putRight = () => {
    take({ title: 'Outdoor unit as its diagram has it', after: mended, swap: null, reasons: {} });
    goTo(jobId, 'wire', 'list');
  };
  return (
    <>
      {told.length === 0 ? <AppText kind="strong">Every wire is as drawn.</AppText> : null}
      {toDo ? (
        <ActionButton
          label="Put it right"
          hint="Put it right: take the diagram as the plan"
          look="filled"
          onPress={putRight}
        />
      ) : null}
      <View role="list" aria-label="What differs" style={styles.list}>
        {told.map((one) => (
          <DifferenceCard
            key={one.difference.map(({ wire }) => wire.id).join()}
            circuit={circuit}
            told={one}
          />
        ))}
      </View>
      {undrawn.length > 0 ? (
        <AppText>{`Not on the diagram: ${undrawn.map((wire) => `${wireTitle(wire)}, ${wireEnds(names, wire)}`).join('; ')}. Find out what each is for before anything is powered.`}</AppText>
      ) : null}
      <ProofLine circuit={circuit} proof={asFound} />
    </>
  );
}

/** As found against the diagram: what each difference would do, and whether it may stay. */
export function Differences({ jobId, circuit, diagram }: Question & { jobId: string }) {
  const { progress, answer, failure, start, stop } = useAside(ask);
  // What it is put right by becomes the job's plan, which must have been read before it is changed.
  const ready = useOpenDocument('plan', planDocument, jobId);
  const isCurrent = answer?.to.circuit === circuit && answer.to.diagram === diagram;
  return (
    <>
      {diagram.walked.length < diagram.wires.length ? (
        <AppText>{`${counted(diagram.wires.length - diagram.walked.length, 'wire')} not walked yet: as recorded.`}</AppText>
      ) : null}
      {progress ? (
        <Working label="Trying each difference" progress={progress} onStop={stop} />
      ) : (
        <ActionButton
          label="Compare with the diagram"
          look={isCurrent ? 'outlined' : 'filled'}
          onPress={() => void start({ circuit, diagram })}
        />
      )}
      {failure ? <AppText>{failure}</AppText> : null}
      {isCurrent && ready ? <Report jobId={jobId} circuit={circuit} report={answer.value} /> : null}
    </>
  );
}

const styles = sheet({
  list: { gap: 10 },
  card: { borderWidth: 1, borderRadius: 12, padding: 12, gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8 },
  grow: { flex: 1 },
});
