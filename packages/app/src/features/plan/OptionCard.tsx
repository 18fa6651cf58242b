import { useState } from 'react';
import { View } from 'react-native';
import { findConductor, findDevice, nodeName, splitTerminal } from '@zygostat/core/circuit';
import { kindOf, said } from '@zygostat/core/devices';
import type { SwapOption } from '@zygostat/core/plan';
import {
  emptyReasonText,
  jumperReasonText,
  landingReasonText,
  lossText,
  methodCautions,
  methodTitle,
  setUpReasonText,
} from '@zygostat/core/words';
import { sheet, useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { Costs } from './Costs';
import { ProofLine } from './ProofLine';
import { WireName } from './WireName';

/** Bulleted lines under a small heading; nothing when there are none. */
function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <View>
      <AppText kind="small">{title}</AppText>
      {lines.map((line) => (
        <AppText key={line}>{`• ${line}`}</AppText>
      ))}
    </View>
  );
}

const Reason = ({ text }: { text: string }) => (text ? <AppText kind="small">{text}</AppText> : null);

/** Where everything goes under this way, line by line with its reason. */
function Landings({ option }: { option: SwapOption }) {
  const t = useTokens();
  const { circuit, landings, empties, setUp, jumpers, thermostat } = option;
  const device = findDevice(circuit, thermostat)!;
  const fields = kindOf(device.kind).settings;
  const reasonOf = (id: string) => {
    const jumper = jumpers.find((entry) => entry.id === id);
    return jumper && jumperReasonText(jumper.reason);
  };
  const gone = jumpers.filter(({ fitted }) => !fitted);
  return (
    <View style={styles.landings}>
      <View role="list" aria-label="Landings" style={styles.landings}>
        {landings.map(({ conductor, screw, far, was, reason }) => (
          <View key={conductor} role="listitem" style={[styles.line, { borderColor: t.line }]}>
            <WireName colour={findConductor(circuit, conductor)!.colour} />
            <AppText>
              {`${nodeName(circuit, screw)} ⟷ ${nodeName(circuit, far)}${was === null ? ' (was free)' : ` (was on ${was})`}`}
            </AppText>
            <Reason text={landingReasonText(reason)} />
          </View>
        ))}
      </View>
      <Lines
        title="Screws that stay empty"
        lines={empties.map(
          ({ terminal, reason }) => `${nodeName(circuit, terminal)}: ${emptyReasonText(reason)}`,
        )}
      />
      <Lines
        title="Jumpers"
        lines={circuit.links.map(({ id, joins }) =>
          [joins.map((join) => nodeName(circuit, join)).join(' to '), reasonOf(id)]
            .filter(Boolean)
            .join(': '),
        )}
      />
      <Lines
        title="Jumpers taken away"
        lines={gone.map(
          ({ joins, reason }) =>
            `${joins.map((join) => splitTerminal(join).mark).join(' to ')}: ${jumperReasonText(reason)}`,
        )}
      />
      <Lines
        title="Set-up of the thermostat"
        lines={setUp.map(
          ({ name, value, reason }) =>
            `${fields[name]!.label}: ${said(fields[name]!, value)}. ${setUpReasonText(reason)}`,
        )}
      />
    </View>
  );
}

interface OptionCardProps {
  option: SwapOption;
  /** First of the list: what is proposed. */
  proposed: boolean;
  onTake: () => void;
}

/** One way of doing it: what it costs, what is lost, what its proof says, where everything goes. */
export function OptionCard({ option, proposed, onTake }: OptionCardProps) {
  const t = useTokens();
  const [open, setOpen] = useState(proposed);
  const { minutes, parts, lost, proof } = option;
  const title = methodTitle(option.method);
  return (
    <View
      role="listitem"
      style={[styles.card, { backgroundColor: t.card, borderColor: proposed ? t.copper : t.line }]}
    >
      <AppText kind="title" heading={3}>
        {title}
      </AppText>
      <ProofLine circuit={option.circuit} proof={proof} />
      <Costs minutes={minutes} parts={parts} />
      <Lines title="What is lost" lines={lost.map(lossText)} />
      <Lines title="Look out" lines={methodCautions(option.method)} />
      <View style={styles.row}>
        <ActionButton
          label={open ? 'Hide the landings' : 'Where everything goes'}
          onPress={() => setOpen(!open)}
          style={styles.grow}
        />
        <ActionButton
          label="Take this plan"
          hint={`Take this plan: ${title}`}
          look={proposed ? 'filled' : 'outlined'}
          onPress={onTake}
          style={styles.grow}
        />
      </View>
      {open ? <Landings option={option} /> : null}
    </View>
  );
}

const styles = sheet({
  card: { borderWidth: 1.5, borderRadius: 12, padding: 14, gap: 8 },
  row: { flexDirection: 'row', alignItems: 'center', gap: 8, flexWrap: 'wrap' },
  grow: { flexGrow: 1 },
  landings: { gap: 10 },
  line: { borderTopWidth: 1, paddingTop: 8, gap: 2 },
});
