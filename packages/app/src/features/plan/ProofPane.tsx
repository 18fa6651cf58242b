import { proxy } from 'comlink';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import type { Finding, Repair } from '@zygostat/core/prove';
import { bypassesStillIn } from '@zygostat/core/record';
import { isProven } from '@zygostat/core/prove';
import {
  PROPERTY_WORDS,
  recordedBypassText,
  caseText,
  changesText,
  namesIn,
  proofText,
  violationText,
} from '@zygostat/core/words';
import { askAside } from '../../model/model';
import type { Remote } from 'comlink';
import type { Model } from '../../model/answers';
import { useAppDispatch, useAppSelector } from '../../store';
import { benchOpened } from '../bench/slice';
import { edited } from '../circuit/slice';
import { sheet, useTokens } from '../../theme';
import { Icon } from '../../theme/icons';
import { ActionButton, AppText } from '../../basics';
import { Progress } from '../../basics/Progress';
import { LineCaution } from '../job/LineCaution';
import { Working } from './Working';
import { useAside } from './useAside';
import { useInForce } from '../circuit/in-force';
import { useRecord } from '../record/useRecord';
import { whenText } from '../../basics/when';
import { useProof } from './useProof';
import { goTo } from '../job/address';

interface RepairOfferProps {
  circuit: Circuit;
  finding: Finding;
  /** All that the proof found. */
  findings: readonly Finding[];
}

type Question = [circuit: Circuit, finding: Finding, findings: readonly Finding[]];

/** The repair of one finding: looked for when asked, then done with one tap. */
function RepairOffer({ circuit, finding, findings }: RepairOfferProps) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const ask = useCallback(
    (
      model: Remote<Model>,
      [about, one, all]: Question,
      tell: (what: string, done: number, of: number) => void,
    ) =>
      model.repair(
        about,
        one,
        all,
        proxy((done: number, of: number) => tell('', done, of)),
      ),
    [],
  );
  const { progress, answer, failure, start, stop } = useAside<Question, Repair | null>(ask);
  if (progress) return <Working label="Looking for a repair" progress={progress} onStop={stop} />;
  if (!answer)
    return (
      <>
        {failure ? <AppText color={t.red}>{failure}</AppText> : null}
        <ActionButton
          label="What would put it right?"
          onPress={() => void start([circuit, finding, findings])}
        />
      </>
    );
  const repair = answer.value;
  if (!repair)
    return (
      <AppText kind="small">
        No change known here puts it right without adding a fault or weakening a protection.
      </AppText>
    );
  const text = changesText(namesIn(circuit), repair.changes);
  return (
    <View style={styles.repair}>
      <AppText color={t.teal}>{text}</AppText>
      <AppText kind="small">
        {repair.left === 0
          ? 'With it nothing else is found.'
          : `With it ${repair.left === 1 ? 'one finding remains' : `${repair.left} findings remain`}.`}
      </AppText>
      <ActionButton
        label="Do it in the model"
        look="filled"
        onPress={() => dispatch(edited({ circuit: repair.circuit, note: text }))}
      />
    </View>
  );
}

function FindingCard({ circuit, jobId, finding, findings }: RepairOfferProps & { jobId: string }) {
  const t = useTokens();
  const dispatch = useAppDispatch();
  const [why, setWhy] = useState(false);
  const ink = { danger: t.red, fault: t.red, caution: t.amber }[finding.severity];
  const names = namesIn(circuit);
  const property = PROPERTY_WORDS[finding.property];
  const { standing } = useRecord(jobId);
  const bypasses = bypassesStillIn(standing);
  const isBypassed = bypasses.length > 0;
  const bypass =
    finding.property === 'bypassed' ? bypasses.find(({ device }) => device === finding.about) : undefined;
  const see = async () => {
    const { inputs, world } = await askAside((model) => model.stage(circuit, finding.shownBy));
    dispatch(benchOpened({ inputs, world, supply: finding.shownBy.mains }));
    goTo(jobId, 'trace', 'loom');
  };
  return (
    <View role="listitem" style={[styles.card, { backgroundColor: t.card, borderColor: ink }]}>
      <View style={styles.row}>
        <Icon name="alert" size={22} color={ink} />
        <AppText kind="strong" color={ink} style={styles.grow}>
          {`${{ danger: 'Danger: ', fault: '', caution: 'Caution: ' }[finding.severity]}${violationText(names, finding)}`}
        </AppText>
      </View>
      <AppText kind="small">
        {`Against “${property.title}”. First seen with ${caseText(names, finding.shownBy)}; ${finding.states} ${finding.states === 1 ? 'state shows' : 'states show'} it.`}
      </AppText>
      <View style={styles.row}>
        <ActionButton label="See it live" onPress={() => void see()} style={styles.grow} />
        <ActionButton label="Why?" pressed={why} onPress={() => setWhy(!why)} />
      </View>
      {why ? <AppText>{property.why}</AppText> : null}
      {bypass ? (
        <>
          <AppText kind="strong" color={t.red}>
            {recordedBypassText(names.device(bypass.device), bypass, whenText)}
          </AppText>
          <ActionButton
            label="Record its removal"
            look="filled"
            onPress={() => goTo(jobId, 'record', 'open')}
          />
        </>
      ) : isBypassed ? (
        // A repair of the wiring would be looked for around a jumper that is to go.
        <AppText kind="small">Remove the recorded bypass first. Then repairs are offered here.</AppText>
      ) : (
        <RepairOffer circuit={circuit} finding={finding} findings={findings} />
      )}
    </View>
  );
}

/** The proof of the circuit as it stands, run again by itself when it changes. */
export function ProofPane({ circuit: recorded, jobId }: { circuit: Circuit; jobId: string }) {
  const t = useTokens();
  const circuit = useInForce(recorded);
  const [explained, setExplained] = useState(false);
  const { circuit: about, done, all, proof, stopped, failure, stop, again } = useProof(circuit);
  const saving = useAppSelector((state) => state.saving);
  const revision = saving.state === 'saved' ? `revision ${saving.base}` : 'changes not saved yet';
  const current = proof && about === circuit;
  const proven = proof !== null && isProven(proof);
  return (
    <>
      <LineCaution circuit={circuit} />
      {current ? (
        <View
          role="status"
          style={[styles.stamp, { backgroundColor: proven ? t.tealSoft : t.redSoft, borderColor: t.line }]}
        >
          <AppText kind="strong" color={proven ? t.teal : t.red}>
            {proven ? 'Proven' : 'Not proven'}
          </AppText>
          <AppText>{`${proofText(proof)}. For ${revision}.`}</AppText>
        </View>
      ) : (
        <View
          role={failure ? 'alert' : 'status'}
          style={[styles.stamp, failure ? { backgroundColor: t.redSoft, borderColor: t.line } : null]}
        >
          <AppText kind="strong">{stopped ? 'Stopped' : `Proving: ${done} of ${all || '…'} states`}</AppText>
          {failure ? <AppText color={t.red}>{failure}</AppText> : null}
          <Progress label="Proving" share={all === 0 ? 0 : done / all} />
          <ActionButton label={stopped ? 'Prove it' : 'Stop'} onPress={stopped ? again : stop} />
        </View>
      )}
      {current ? (
        <View role="list" aria-label="Findings" style={styles.list}>
          {proof.findings.map((finding) => (
            <FindingCard
              key={`${finding.property} ${finding.about}`}
              circuit={circuit}
              jobId={jobId}
              finding={finding}
              findings={proof.findings}
            />
          ))}
        </View>
      ) : null}
      <ActionButton
        label={explained ? 'Hide what is proven' : 'What is proven?'}
        onPress={() => setExplained(!explained)}
      />
      {explained
        ? Object.values(PROPERTY_WORDS).map(({ title, why }) => (
            <View key={title}>
              <AppText kind="strong">{title}</AppText>
              <AppText kind="small">{why}</AppText>
            </View>
          ))
        : null}
      <AppText kind="small">
        A proof of the model, not of the copper: land, tug, and test on site. Local code and the equipment’s
        own diagram win.
      </AppText>
    </>
  );
}

const styles = sheet({
  stamp: { borderWidth: 1, borderRadius: 12, padding: 14, gap: 8, borderColor: 'transparent' },
  list: { gap: 10 },
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
  row: { flexDirection: 'row', gap: 8, alignItems: 'center' },
  grow: { flex: 1 },
  repair: { gap: 8 },
});
