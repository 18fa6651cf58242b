import { useState } from 'react';
import type { GestureResponderEvent, LayoutChangeEvent } from 'react-native';
import { Image, View } from 'react-native';
import type { Circuit } from '@zygostat/core/circuit';
import { marksOf, nodeName } from '@zygostat/core/circuit';
import type { Photo } from './api';
import { sheet, useTokens } from '../../theme';
import { ActionButton, BottomSheet, AppText, Tap } from '../../basics';
import { usePhotoUrls } from './photo-url';
import { useChangePhoto } from './usePhotos';

interface PhotoSheetProps {
  jobId: string;
  circuit: Circuit;
  photo: Photo;
  onClose: () => void;
}

/** One photograph: tap it to pin a terminal, tap a pin's name to take it away. */
export function PhotoSheet({ jobId, circuit, photo, onClose }: PhotoSheetProps) {
  const t = useTokens();
  const urls = usePhotoUrls();
  const [width, setWidth] = useState(0);
  const [spot, setSpot] = useState<{ x: number; y: number } | null>(null);
  const { pin: pinned, remove, trouble } = useChangePhoto(jobId);
  const height = (width * photo.height) / photo.width;
  const terminals = circuit.devices
    .filter(({ station }) => station === photo.station)
    .flatMap((device) => marksOf(device).map((mark) => `${device.id}.${mark}`));
  const save = (pins: Photo['pins']) => pinned(photo.id, pins);
  const node = ({ nativeEvent }: GestureResponderEvent) => {
    // On the web a press is a click, which knows where it is as an offset; a key press is nowhere: the middle.
    const { offsetX = width / 2, offsetY = height / 2 } = nativeEvent as unknown as Partial<MouseEvent>;
    if (height > 0)
      setSpot({
        x: Math.min(1, Math.max(0, offsetX / width)),
        y: Math.min(1, Math.max(0, offsetY / height)),
      });
  };
  return (
    <BottomSheet
      title={circuit.stations.find(({ id }) => id === photo.station)?.name ?? 'Photograph'}
      subtitle="Tap the picture to pin a terminal"
      onClose={onClose}
    >
      <View onLayout={({ nativeEvent }: LayoutChangeEvent) => setWidth(nativeEvent.layout.width)}>
        <Tap role="button" aria-label="Pin a terminal here" onPress={node} testID="photo">
          <Image source={{ uri: urls.of(jobId, photo.id) }} style={{ width, height }} alt="" />
        </Tap>
        {[...photo.pins, ...(spot ? [{ ...spot, terminal: '?' }] : [])].map(({ x, y, terminal }) => (
          <View
            key={`${terminal} ${x} ${y}`}
            pointerEvents="none"
            style={[
              styles.pin,
              { left: x * width - 6, top: y * height - 6, backgroundColor: t.red, borderColor: t.card },
            ]}
          >
            <AppText kind="figure" color={t.ink} style={[styles.name, { backgroundColor: t.card }]}>
              {terminal.split('.')[1] ?? terminal}
            </AppText>
          </View>
        ))}
      </View>
      {trouble ? <AppText color={t.red}>{trouble}</AppText> : null}
      {spot ? (
        <>
          <AppText kind="strong">Which terminal is that?</AppText>
          <View style={styles.terminals}>
            {terminals.map((terminal) => (
              <ActionButton
                key={terminal}
                label={nodeName(circuit, terminal)}
                onPress={() => {
                  save([...photo.pins, { ...spot, terminal }]);
                  setSpot(null);
                }}
              />
            ))}
          </View>
        </>
      ) : null}
      {photo.pins.map((pin) => (
        <ActionButton
          key={`${pin.terminal} ${pin.x}`}
          label={`Take away the pin on ${nodeName(circuit, pin.terminal)}`}
          onPress={() => save(photo.pins.filter((other) => other !== pin))}
        />
      ))}
      <ActionButton
        label="Delete this photograph"
        icon="delete"
        onPress={() => {
          remove(photo.id);
          onClose();
        }}
      />
    </BottomSheet>
  );
}

const styles = sheet({
  pin: { position: 'absolute', width: 14, height: 14, borderRadius: 7, borderWidth: 2 },
  name: { position: 'absolute', left: 14, top: -4, paddingHorizontal: 3, borderRadius: 3 },
  terminals: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
