import type { Remote } from 'comlink';
import { useCallback } from 'react';
import type { Circuit } from '@zygostat/core/circuit';
import type { JacketFunction } from '@zygostat/core/fire';
import type { JacketStanding } from '@zygostat/core/record';
import type { Names } from '@zygostat/core/words';
import { JACKET_DOES } from '@zygostat/core/words';
import type { Model } from '../../model/answers';
import { useModel } from '../../model/useModel';
import { useTokens } from '../../theme';
import { AppText, Options } from '../../basics';

const OPTIONS: Readonly<Record<JacketFunction, string>> = {
  power: 'The supply',
  on: 'Another detector',
  loop: 'The panel’s loop',
  hold: 'The thermostat',
  station: 'The station',
  calls: 'Calls of the unit',
  nothing: 'Nothing at all',
};

interface JacketFoundProps {
  /** With every jacket on. */
  circuit: Circuit;
  names: Names;
  jacket: JacketStanding;
  onFound: (does: JacketFunction) => Promise<boolean>;
}

/** What went with a jacket, as it was seen; beside it what the model says goes with it. */
export function JacketFound({ circuit, names, jacket, onFound }: JacketFoundProps) {
  const t = useTokens();
  const { device, does } = jacket;
  const ask = useCallback(
    (model: Remote<Model>) => model.jacket(circuit, device, { cable: jacket.cable, landed: jacket.landed }),
    [circuit, device, jacket],
  );
  const effect = useModel(ask);
  return (
    <>
      <Options
        label="What went with it"
        options={OPTIONS}
        value={does ?? ('' as JacketFunction)}
        onChange={(found) => void onFound(found)}
      />
      {does !== null && effect ? (
        <AppText color={effect.does === does ? t.teal : t.amber}>
          {effect.does === does
            ? `As recorded: ${effect.changes.map((id) => names.device(id)).join(', ') || 'nothing changes'}.`
            : `As it is recorded it would be ${JACKET_DOES[effect.does]}: the record is wrong, or the look was. Follow it before you trust either.`}
        </AppText>
      ) : null}
    </>
  );
}
