import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { useTokens } from '../../theme';
import { ActionButton, AppText } from '../../basics';
import { plural } from '../jobs/JobRow';
import { usePhotoUrls } from '../photos/photo-url';
import { canHold, holdJob, holdSite } from './hold';

type State = { type: 'idle' | 'done' | 'failed' } | { type: 'under-way'; done: number };

/** A whole site for a day without signal, by one tap: its jobs with their photographs, its building. */
export function HoldSite({ siteId, jobIds }: { siteId: string; jobIds: readonly string[] }) {
  const t = useTokens();
  const urls = usePhotoUrls();
  const [state, setState] = useState<State>({ type: 'idle' });
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);
  const hold = async () => {
    const asked = new AbortController();
    stop.current = asked;
    setState({ type: 'under-way', done: 0 });
    try {
      await holdSite(siteId, asked.signal);
      for (const [done, id] of jobIds.entries()) {
        setState({ type: 'under-way', done });
        await holdJob(urls, id, asked.signal);
      }
      setState({ type: 'done' });
    } catch {
      setState({ type: asked.signal.aborted ? 'idle' : 'failed' });
    }
  };
  if (!canHold())
    return (
      <AppText kind="small">
        To work here without signal this page has to be served over HTTPS with a certificate the phone trusts.
      </AppText>
    );
  if (state.type === 'under-way')
    return (
      <View role="status">
        <AppText>{`Taking along ${plural(jobIds.length, 'job')}: ${state.done} done…`}</AppText>
        <ActionButton label="Stop" onPress={() => stop.current?.abort()} />
      </View>
    );
  return (
    <View>
      <ActionButton label="Take this site along" icon="export" onPress={() => void hold()} />
      <View role="status">
        <AppText kind="small" color={state.type === 'failed' ? t.red : t.mute}>
          {state.type === 'done'
            ? `Here now, with or without signal: ${plural(jobIds.length, 'job')}, with photographs.`
            : state.type === 'failed'
              ? 'Not all of it is here: the server did not answer. Try again.'
              : 'Everything of its jobs, with photographs, for a day without signal.'}
        </AppText>
      </View>
    </View>
  );
}
