import { router } from 'expo-router';
import { ScrollView } from 'react-native';
import { useAppDispatch, useAppSelector } from '../../store';
import { Company } from './Company';
import type { Setting, Settings as Chosen } from './slice';
import { settingsChosen } from './slice';
import { ActionButton, Column, Options, AppText, PageHead } from '../../basics';
import { backOr } from '../../basics/back';
import { sheet } from '../../theme';

const QUESTIONS: { [K in Setting]: { label: string; options: Record<Chosen[K], string> } } = {
  theme: {
    label: 'Theme',
    options: { system: 'As the device', light: 'Light', dark: 'Dark', glare: 'Glare (bright sun)' },
  },
  temperature: { label: 'Temperatures', options: { F: '°F', C: '°C' } },
  length: { label: 'Lengths', options: { ft: 'Feet', m: 'Metres' } },
  gauge: { label: 'Wire sizes', options: { awg: 'AWG', mm2: 'mm²' } },
  symbols: {
    label: 'Ladder symbols',
    options: { bars: 'Bars and circles (North America)', blade: 'Blades and boxes (IEC 60617)' },
  },
  region: {
    label: 'Line-voltage colours',
    options: {
      america: 'North America: black, white, green',
      iec: 'IEC: brown, blue, green-yellow',
      japan: 'Japan: black, white, green',
    },
  },
  hand: { label: 'Held in', options: { right: 'The right hand', left: 'The left hand' } },
  awake: {
    label: 'Screen while a job is open',
    options: { off: 'Sleeps as the device does', on: 'Stays awake' },
  },
  buzz: { label: 'A short buzz when something is done', options: { on: 'Yes', off: 'No' } },
  aloud: {
    label: 'Steps read aloud, where the device has a voice of its own',
    options: { off: 'No', on: 'Yes' },
  },
  keys: { label: 'Single-letter keys on Trace', options: { on: 'On', off: 'Off' } },
};

function Question<K extends Setting>({ name }: { name: K }) {
  const dispatch = useAppDispatch();
  const value = useAppSelector(({ settings }) => settings[name]);
  const { label, options } = QUESTIONS[name];
  return (
    <Options
      label={label}
      options={options}
      value={value}
      onChange={(choice) => dispatch(settingsChosen({ [name]: choice }))}
    />
  );
}

/** What is kept on this device: units, symbols, theme, customary colours. */
export function Settings() {
  return (
    <Column>
      <PageHead title="Settings" onBack={backOr('/')} />
      <ScrollView contentContainerStyle={styles.form}>
        <ActionButton label="Crew: who works here" onPress={() => router.push('/crew')} />
        <Company />
        {(Object.keys(QUESTIONS) as Setting[]).map((name) => (
          <Question key={name} name={name} />
        ))}
        <AppText kind="small">
          Your company is kept on the server, everything else on this device only. Numbers are stored in SI
          and shown as you choose.
        </AppText>
      </ScrollView>
    </Column>
  );
}

const styles = sheet({
  form: { padding: 16, gap: 20 },
});
