import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../store';
import { settingsChosen } from '../settings/slice';
import { ActionButton } from '../../basics';
import { sheet } from '../../theme';

/** Voices that speak without a network: what is on a roof may not leave the phone to be read out. */
const ownVoices = (): SpeechSynthesisVoice[] =>
  typeof speechSynthesis === 'undefined'
    ? []
    : speechSynthesis.getVoices().filter(({ localService }) => localService);

function say(text: string): void {
  const voices = ownVoices();
  const { lang } = document.documentElement;
  const voice = voices.find((one) => one.lang.startsWith(lang)) ?? voices[0];
  if (!voice) return;
  speechSynthesis.cancel();
  const spoken = new SpeechSynthesisUtterance(text);
  spoken.voice = voice;
  spoken.lang = voice.lang;
  speechSynthesis.speak(spoken);
}

function useOwnVoice(): boolean {
  const [has, setHas] = useState(() => ownVoices().length > 0);
  useEffect(() => {
    if (typeof speechSynthesis === 'undefined') return;
    const look = () => setHas(ownVoices().length > 0);
    speechSynthesis.addEventListener('voiceschanged', look);
    return () => speechSynthesis.removeEventListener('voiceschanged', look);
  }, []);
  return has;
}

/** Whether the device has a voice of its own, and whether it reads: what one says back is large then, and stands with the steps. */
export function useReadAloud(): { hasVoice: boolean; isRead: boolean } {
  const isOn = useAppSelector(({ settings }) => settings.aloud === 'on');
  const hasVoice = useOwnVoice();
  return { hasVoice, isRead: hasVoice && isOn };
}

interface AloudProps {
  /** What is to be done now. */
  text: string;
  /** Left out where what was done must be typed or chosen. */
  onDone?: () => void;
}

/** Reads each step out as it comes, with the two things one says back large enough for an elbow. Nothing where no voice is on the device. */
export function Aloud({ text, onDone }: AloudProps) {
  const dispatch = useAppDispatch();
  const { hasVoice, isRead } = useReadAloud();
  const again = useCallback(() => say(text), [text]);
  useEffect(() => {
    if (!isRead) return;
    again();
    return () => speechSynthesis.cancel();
  }, [isRead, again]);
  if (!hasVoice) return null;
  if (!isRead)
    return (
      <ActionButton
        label="Read the steps aloud"
        look="plain"
        onPress={() => dispatch(settingsChosen({ aloud: 'on' }))}
      />
    );
  return (
    <View role="group" aria-label="Read aloud" style={styles.said}>
      <View style={styles.row}>
        {onDone ? (
          <ActionButton
            label="Done"
            hint="Done: on to the next"
            look="filled"
            onPress={onDone}
            style={styles.large}
          />
        ) : null}
        <ActionButton label="Again" hint="Again: read it once more" onPress={again} style={styles.large} />
      </View>
      <ActionButton
        label="Read no more"
        look="plain"
        onPress={() => dispatch(settingsChosen({ aloud: 'off' }))}
      />
    </View>
  );
}

const styles = sheet({
  said: { gap: 8 },
  row: { flexDirection: 'row', gap: 8 },
  large: { flex: 1, minHeight: 88 },
});
