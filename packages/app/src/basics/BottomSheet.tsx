import type { PropsWithChildren } from 'react';
import { Modal, ScrollView, StyleSheet, View } from 'react-native';
import { sheet, useTokens, useWide } from '../theme';
import { Deferred } from './Deferred';
import { Tap } from './Tap';
import { ActionButton } from './ActionButton';
import { AppText } from './AppText';
import { useBackCloses } from './backCloses';

type BottomSheetProps = PropsWithChildren<{ title: string; subtitle?: string; onClose: () => void }>;

/** A sheet over the work: from the bottom on a phone, at the right on a wide screen. Escape closes it. */
export function BottomSheet({ title, subtitle, onClose, children }: BottomSheetProps) {
  const t = useTokens();
  const wide = useWide();
  useBackCloses(onClose);
  return (
    <Modal transparent visible animationType="none" onRequestClose={onClose} aria-label={title}>
      <View style={[styles.cover, wide ? styles.right : styles.bottom]}>
        <Tap
          style={[StyleSheet.absoluteFill, { backgroundColor: t.scrim }]}
          onPress={onClose}
          aria-hidden
          tabIndex={-1}
        />
        <View
          style={[
            styles.sheet,
            wide ? styles.wide : styles.phone,
            { backgroundColor: t.card, borderColor: t.line },
          ]}
        >
          <View style={styles.head}>
            <View style={styles.titles}>
              <AppText kind="title" heading={2}>
                {title}
              </AppText>
              {subtitle ? <AppText kind="small">{subtitle}</AppText> : null}
            </View>
            <ActionButton label="Close" icon="close" look="plain" iconOnly onPress={onClose} />
          </View>
          <ScrollView contentContainerStyle={styles.body}>
            <Deferred>{children}</Deferred>
          </ScrollView>
        </View>
      </View>
    </Modal>
  );
}

const styles = sheet({
  cover: { flex: 1 },
  bottom: { justifyContent: 'flex-end' },
  right: { alignItems: 'flex-end' },
  sheet: { borderWidth: 1 },
  phone: { maxHeight: '82%', borderTopLeftRadius: 12, borderTopRightRadius: 12 },
  wide: { width: 420, height: '100%' },
  head: { flexDirection: 'row', alignItems: 'flex-start', paddingLeft: 16, paddingRight: 4, paddingTop: 10 },
  titles: { flex: 1, paddingTop: 6 },
  body: { padding: 16, paddingTop: 8, gap: 12 },
});
