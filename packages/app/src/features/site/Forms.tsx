import { useState } from 'react';
import type {
  AirPath,
  Building,
  Detector,
  Seen,
  Thermostat,
  Unit,
  WallStation,
} from '@zygostat/core/building';
import { LOOKS } from '@zygostat/core/building';
import { AIR_KIND, LOOK, flowFrom, flowIn, flowUnit } from '@zygostat/core/words';
import { useAppSelector } from '../../store';
import { AppText, Field, Options } from '../../basics';

interface FormProps<T> {
  building: Building;
  thing: T;
  onChange: (change: Partial<T>) => void;
}

/** Options of which none may have been chosen yet. */
function Asked<Option extends string>({
  label,
  options,
  value,
  onChange,
}: {
  label: string;
  options: Readonly<Record<Option, string>>;
  value: Option | null | undefined;
  onChange: (value: Option) => void;
}) {
  return <Options label={label} options={options} value={value ?? ('' as Option)} onChange={onChange} />;
}

const NONE = '-';

/** One of several things by what it is called, or none. */
function Which({
  label,
  none,
  things,
  value,
  onChange,
}: {
  label: string;
  none: string;
  things: readonly { id: string; label: string }[];
  value: string | null;
  onChange: (id: string | null) => void;
}) {
  const options = Object.fromEntries([[NONE, none], ...things.map((one) => [one.id, one.label])]) as Record<
    string,
    string
  >;
  return (
    <Options
      label={label}
      options={options}
      value={value ?? NONE}
      onChange={(id) => onChange(id === NONE ? null : id)}
    />
  );
}

const WAYS = { key: 'A key', button: 'A button', magnet: 'A magnet' } as const;
const LAMPS = { green: 'Green', red: 'Red', dark: 'Dark' } as const;

/** What was seen on a unit, look by look. */
export function UnitLooks({ thing, onChange }: Omit<FormProps<Unit>, 'building'>) {
  return (
    <>
      {LOOKS.map((look) => (
        <Asked<Seen>
          key={look}
          label={LOOK[look].title}
          options={LOOK[look].seen}
          value={thing.looks[look]}
          onChange={(seen) => onChange({ looks: { ...thing.looks, [look]: seen } })}
        />
      ))}
    </>
  );
}

export function UnitForm({
  jobs,
  thing,
  onChange,
}: FormProps<Unit> & { jobs: readonly { id: string; name: string }[] }) {
  return (
    <>
      <Field
        label="Its label says it serves"
        value={thing.serves}
        most={120}
        onChange={(serves) => onChange({ serves })}
      />
      <Field
        label="It was found to serve"
        value={thing.found}
        most={120}
        onChange={(found) => onChange({ found })}
      />
      <Which
        label="Its circuit is in the job"
        none="None"
        things={jobs.map(({ id, name }) => ({ id, label: name }))}
        value={thing.job}
        onChange={(job) => onChange({ job })}
      />
      <UnitLooks thing={thing} onChange={onChange} />
    </>
  );
}

export function DetectorForm({ building, thing, onChange }: FormProps<Detector>) {
  return (
    <>
      <DetectorLooks thing={thing} onChange={onChange} />
      <Options
        label="Where it is"
        options={{ unit: 'In the unit', duct: 'In the duct' }}
        value={thing.place}
        onChange={(place) => onChange({ place })}
      />
      <Which
        label="Of which unit"
        none="Not known"
        things={building.units}
        value={thing.unit}
        onChange={(unit) => onChange({ unit })}
      />
      <Asked
        label="Its station has"
        options={WAYS}
        value={thing.wants}
        onChange={(wants) => onChange({ wants })}
      />
      <Which
        label="Tied to"
        none="None"
        things={building.detectors.filter(({ id }) => id !== thing.id)}
        value={thing.tied}
        onChange={(tied) => onChange({ tied })}
      />
      <Asked
        label="On the panel’s loop"
        options={{ yes: 'It is', no: 'It is not' }}
        value={thing.loop === null ? null : thing.loop ? 'yes' : 'no'}
        onChange={(loop) => onChange({ loop: loop === 'yes' })}
      />
    </>
  );
}

/** What is seen of a detector before it is reset. */
export function DetectorLooks({ thing, onChange }: Omit<FormProps<Detector>, 'building'>) {
  return (
    <>
      <Asked
        label="Its housing"
        options={{ sound: 'Sound and dry', wet: 'Wet', cracked: 'Cracked' }}
        value={thing.housing}
        onChange={(housing) => onChange({ housing })}
      />
      <Asked
        label="Caps of its tubes"
        options={{ off: 'Off', on: 'Still on' }}
        value={thing.caps}
        onChange={(caps) => onChange({ caps })}
      />
      <Asked label="Its lamp" options={LAMPS} value={thing.lamp} onChange={(lamp) => onChange({ lamp })} />
    </>
  );
}

/** What is seen of a station. */
export function StationLooks({ thing, onChange }: Omit<FormProps<WallStation>, 'building'>) {
  return (
    <Asked label="Its lamp" options={LAMPS} value={thing.lamp} onChange={(lamp) => onChange({ lamp })} />
  );
}

export function StationForm({ building, thing, onChange }: FormProps<WallStation>) {
  return (
    <>
      <StationLooks thing={thing} onChange={onChange} />
      <Asked
        label="It works with"
        options={WAYS}
        value={thing.works}
        onChange={(works) => onChange({ works })}
      />
      <Which
        label="Hangs on"
        none="Not found yet"
        things={building.detectors}
        value={thing.detector}
        onChange={(detector) => onChange({ detector })}
      />
    </>
  );
}

/** What is seen of a thermostat. */
export function ThermostatLooks({ thing, onChange }: Omit<FormProps<Thermostat>, 'building'>) {
  return (
    <Asked
      label="Its screen"
      options={{ on: 'On', blank: 'Blank' }}
      value={thing.screen}
      onChange={(screen) => onChange({ screen })}
    />
  );
}

export function ThermostatForm({ building, thing, onChange }: FormProps<Thermostat>) {
  return (
    <>
      <ThermostatLooks thing={thing} onChange={onChange} />
      <Which
        label="Runs"
        none="Not known"
        things={building.units}
        value={thing.unit}
        onChange={(unit) => onChange({ unit })}
      />
      <Which
        label="Its circuit passes through"
        none="None that is known"
        things={building.detectors}
        value={thing.held}
        onChange={(held) => onChange({ held })}
      />
    </>
  );
}

export function AirForm({ thing, onChange }: FormProps<AirPath>) {
  const length = useAppSelector(({ settings }) => settings.length);
  const [text, setText] = useState(thing.flow === 0 ? '' : String(Math.round(flowIn(thing.flow, length))));
  const given = Number(text.replace(',', '.'));
  const valid =
    text.trim() === '' || (Number.isFinite(given) && given >= 0 && flowFrom(given, length) <= 200);
  const type = (next: string) => {
    setText(next);
    const value = Number(next.replace(',', '.'));
    if (Number.isFinite(value) && value >= 0 && flowFrom(value, length) <= 200)
      onChange({ flow: flowFrom(value, length) });
  };
  return (
    <>
      <Options
        label="What it does"
        options={AIR_KIND}
        value={thing.kind}
        onChange={(kind) => onChange({ kind })}
      />
      <Field label={`Moves, ${flowUnit(length)}`} value={text} most={10} onChange={type} />
      {valid ? null : <AppText>{`A number of ${flowUnit(length)}, 0 or more.`}</AppText>}
      <Asked
        label="It runs"
        options={{ on: 'All the time', auto: 'On auto', off: 'Not' }}
        value={thing.runs}
        onChange={(runs) => onChange({ runs })}
      />
    </>
  );
}
