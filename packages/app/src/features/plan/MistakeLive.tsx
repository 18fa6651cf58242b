import { useEffect, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';
import { View } from 'react-native';
import type { BenchView } from '@zygostat/core/behaviour';
import type { Circuit } from '@zygostat/core/circuit';
import type { Case } from '@zygostat/core/prove';
import { caseText, namesIn, statusText } from '@zygostat/core/words';
import type { MistakeFound } from '../../model/answers';
import { askAside } from '../../model/model';
import { useAppSelector } from '../../store';
import { AppText, BottomSheet, Waiting } from '../../basics';
import { Loom } from '../loom/Loom';
import { useLaid } from '../loom/useLaid';

interface MistakeLiveProps {
  circuit: Circuit;
  wrong: MistakeFound['wrong'];
  shownBy: Case;
  title: string;
  onClose: () => void;
}

const NO_PROBES = { mode: 'ac-volts', kind: 'high-z', red: null, black: null } as const;
const nothing = () => undefined;

/** A picture: it is looked at and not worked in. What it shows is said in its name. */
const still = (node: View | null) => (node as unknown as HTMLElement | null)?.setAttribute('inert', '');

/** The circuit with one thing landed wrong, live in the state that shows it. The job itself is not touched. */
export function MistakeLive({ circuit, wrong, shownBy, title, onClose }: MistakeLiveProps) {
  const [shown, setShown] = useState<{ circuit: Circuit; view: BenchView } | null>(null);
  const [width, setWidth] = useState(0);
  const { laid } = useLaid(shown?.circuit ?? null, width);
  const { temperature, length, gauge } = useAppSelector(({ settings }) => settings);
  useEffect(() => {
    let wanted = true;
    void askAside((model) => model.landedWrong(circuit, wrong, shownBy)).then(
      (live) => wanted && setShown(live),
    );
    return () => {
      wanted = false;
    };
  }, [circuit, wrong, shownBy]);
  const status =
    shown &&
    statusText(namesIn(shown.circuit), shown.view.faces, shown.view.status, { temperature, length, gauge });
  return (
    <BottomSheet
      title={title}
      subtitle={`With ${caseText(namesIn(circuit), shownBy)}. Only here: your job is as it was.`}
      onClose={onClose}
    >
      {status ? <AppText kind="strong">{status.text}</AppText> : <Waiting label="Landing it wrong" />}
      <View onLayout={({ nativeEvent }: LayoutChangeEvent) => setWidth(Math.floor(nativeEvent.layout.width))}>
        {shown && laid ? (
          <View role="img" tabIndex={0} aria-label={`The circuit, ${title}: ${status?.text ?? ''}`}>
            <View ref={still}>
              <Loom
                {...laid}
                view={shown.view}
                meter={NO_PROBES}
                suspects={[]}
                cleared={[]}
                bypassed={[]}
                contested={[]}
                place={null}
                inviting={false}
                onStud={nothing}
                onToggle={nothing}
                onDevice={nothing}
                onConductor={nothing}
              />
            </View>
          </View>
        ) : null}
      </View>
    </BottomSheet>
  );
}
