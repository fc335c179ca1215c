import type { Feed } from '@katabasis/core';
import { View } from 'react-native';
import { SPACE } from '../../theme/tokens';
import { shareEntry } from '../../input/entry';
import { QuantityField } from '../../input/Field';
import { Text } from '../../ui/Text';
import { Ticks } from '../../ui/Ticks';

interface Props {
  label: string;
  feeds: Feed[];
  targets: readonly { id: string; name: string }[];
  /** What to say when there is nothing to lead water to. */
  none: string;
  onChange: (feeds: Feed[]) => void;
}

/** Shares as parts of one whole: setting one scales the others. */
function withShare(feeds: Feed[], to: string, share: number): Feed[] {
  const rest = feeds.filter((feed) => feed.to !== to).reduce((sum, feed) => sum + feed.share, 0);
  return feeds.map((feed) => ({ to: feed.to, share: feed.to === to ? share : (feed.share / rest) * (1 - share) }));
}

/** Where water goes: tap one or more; with several, each has its share. */
export function Feeds({ label, feeds, targets, none, onChange }: Props) {
  const total = feeds.reduce((sum, feed) => sum + feed.share, 0);
  const toggle = (id: string): void => {
    const on = feeds.some((feed) => feed.to === id);
    onChange(
      on
        ? feeds.filter((feed) => feed.to !== id)
        : [...feeds, { to: id, share: feeds.length > 0 ? total / feeds.length : 1 }],
    );
  };
  return (
    <View style={{ gap: SPACE.s }}>
      <Ticks
        label={label}
        options={targets.map(({ id, name }) => ({ value: id, label: name }))}
        ticked={feeds.map(({ to }) => to)}
        onToggle={toggle}
      />
      {targets.length === 0 && <Text>{none}</Text>}
      {feeds.length > 1 && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.m }}>
          {feeds.map((feed) => (
            <QuantityField
              key={feed.to}
              label={`Share to ${targets.find((target) => target.id === feed.to)?.name ?? feed.to}`}
              value={feed.share / total}
              {...shareEntry}
              onCommit={(share) => {
                if (share! >= 1) return 'Leave something for the other, or untick it.';
                onChange(withShare(feeds, feed.to, share!));
                return null;
              }}
            />
          ))}
        </View>
      )}
    </View>
  );
}
