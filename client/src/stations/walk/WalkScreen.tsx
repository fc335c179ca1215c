/** Walk: what is here. Rain, roofs and their downspouts, ground, ways out, and the lines between. */
import {
  isLanding,
  landsOnGutter,
  nameOf,
  ofKind,
  rainOf,
  showArea,
  showFlow,
  showLength,
  showLevel,
  showNominal,
  showRain,
  text,
  type Downspout,
  type Element,
  type Job,
  type Shown,
} from '@katabasis/core';
import { Pressable, ScrollView, View } from 'react-native';
import { useKept } from '../../data/useJob';
import { useStyles, useWide } from '../../theme/theme';
import { SPACE, type Palette } from '../../theme/tokens';
import { Mark } from '../../ui/Mark';
import { Text } from '../../ui/Text';
import { useGo } from '../Shell';
import { useAt } from '../useAt';
import { AddSheet } from './AddSheet';
import { ElementSheet } from './ElementSheet';
import { calledOf } from './RainForm';
import { Button } from '../../ui/Button';
import Plus from 'lucide-react-native/icons/plus';

const make = (palette: Palette) => ({
  columns: { flex: 1, flexDirection: 'row' as const },
  list: { flex: 1 },
  body: { padding: SPACE.l, gap: SPACE.xl, paddingBottom: 96, maxWidth: 720 },
  row: {
    flexDirection: 'row' as const,
    alignItems: 'center' as const,
    gap: SPACE.m,
    minHeight: 56,
    borderTopWidth: 1,
    borderTopColor: palette.line,
    paddingVertical: 6,
  },
  chosen: { backgroundColor: palette.bank, marginHorizontal: -SPACE.s, paddingHorizontal: SPACE.s },
  side: { flex: 1, maxWidth: 620, borderLeftWidth: 1, borderLeftColor: palette.line },
});

export function WalkScreen() {
  const styles = useStyles(make);
  const wide = useWide();
  const go = useGo();
  const at = useAt();
  const choose = (id: string | null): void => go('walk', id);
  const sheet =
    at === 'new' ? (
      <AddSheet onClose={() => choose(null)} onGo={choose} />
    ) : (
      at && <ElementSheet id={at} onClose={() => choose(null)} onGo={choose} />
    );
  return (
    <View style={styles.columns}>
      <ScrollView
        style={styles.list}
        contentContainerStyle={styles.body}
        tabIndex={0}
        role="region"
        aria-label="What is here"
      >
        <View style={{ flexDirection: 'row' }}>
          <Button label="Put something in" icon={Plus} kind="main" onPress={() => choose('new')} testID="add" />
        </View>
        <Rain chosen={at} onChoose={choose} />
        <Roofs chosen={at} onChoose={choose} />
        <Ground chosen={at} onChoose={choose} />
        <Lines chosen={at} onChoose={choose} />
      </ScrollView>
      {wide ? <View style={styles.side}>{sheet || <Aside />}</View> : sheet}
    </View>
  );
}

function Aside() {
  return (
    <View style={{ padding: SPACE.xl }}>
      <Text tone="soft">Tap anything to see and change it.</Text>
    </View>
  );
}

interface ListProps {
  chosen: string | null;
  onChoose: (id: string) => void;
}

interface ItemProps extends ListProps {
  id: string;
  name: string;
  about: string;
  figure?: Shown;
}

function Item({ id, name, about, figure, chosen, onChoose }: ItemProps) {
  const { plan } = useKept();
  const styles = useStyles(make);
  const worst = plan.snags.find((snag) => snag.at === id);
  return (
    <Pressable
      role="button"
      aria-label={`${name}, ${about}${figure ? `, ${text(figure)}` : ''}`}
      onPress={() => onChoose(id)}
      style={[styles.row, chosen === id && styles.chosen]}
      testID={`item-${id}`}
    >
      <View style={{ flex: 1 }}>
        <Text kind="strong">{name}</Text>
        <Text kind="small">{about}</Text>
      </View>
      {figure && (
        <Text kind="figure" style={{ fontSize: 20 }}>
          {figure.value}
          <Text kind="unit"> {figure.unit}</Text>
        </Text>
      )}
      {worst && <Mark kind={worst.severity} />}
    </Pressable>
  );
}

function Rain(props: ListProps) {
  const { job, units } = useKept();
  const rain = rainOf(job);
  const about = rain ? calledOf(rain) : 'Not set: tap to choose';
  return (
    <View>
      <Text kind="heading">Rain</Text>
      <Item
        {...props}
        id="rain"
        name="Design rain"
        about={about}
        {...(rain ? { figure: showRain(rain.intensity, units) } : {})}
      />
    </View>
  );
}

function Roofs(props: ListProps) {
  const { job, plan, units } = useKept();
  const faces = ofKind(job, 'roofFace');
  const downspouts = ofKind(job, 'downspout');
  const feeds = (element: Element): string =>
    'feeds' in element && element.feeds.length > 0
      ? `to ${element.feeds.map((feed) => nameOf(job, feed.to)).join(' and ')}`
      : 'led nowhere yet';
  const flows = (id: string): Shown => {
    const shed = plan.sources.contributingAreas.find((each) => each.id === id);
    return showFlow((shed?.effectiveArea ?? 0) * plan.rain, units);
  };
  const area = (id: string): string =>
    text(showArea(plan.sources.contributingAreas.find((each) => each.id === id)?.area ?? 0, units));
  return (
    <View>
      <Text kind="heading">Roofs and downspouts</Text>
      {faces.length === 0 && downspouts.length === 0 && (
        <Text tone="soft">Look up: note each roof face, and the downspout that its gutter feeds.</Text>
      )}
      {faces.map((face) => (
        <Item
          key={face.id}
          {...props}
          id={face.id}
          name={face.name}
          about={`${area(face.id)} ${feeds(face)}`}
          figure={flows(face.id)}
        />
      ))}
      {downspouts.map((downspout) => (
        <Item
          key={downspout.id}
          {...props}
          id={downspout.id}
          name={downspout.name}
          about={downspoutAbout(downspout, job, units)}
          figure={showFlow((plan.sources.atDownspout.get(downspout.id) ?? 0) * plan.rain, units)}
        />
      ))}
    </View>
  );
}

function downspoutAbout(downspout: Downspout, job: Job, units: 'us' | 'metric'): string {
  if (landsOnGutter(downspout))
    return `lands on the gutter of ${downspout.landsOn!.map((feed) => nameOf(job, feed.to)).join(' and ')}`;
  return `ground ${text(showLevel(downspout.groundLevel, units))}`;
}

function Ground(props: ListProps) {
  const { job, plan, units } = useKept();
  const surfaces = ofKind(job, 'surface');
  const landings = job.elements.all.filter(isLanding).filter((landing) => landing.kind !== 'downspout');
  const words = {
    basin: 'grate at',
    channel: 'channel drain, grate at',
    junction: 'ground',
    discharge: 'comes out at',
    downspout: 'ground',
  } as const;
  const fixed = ofKind(job, 'fixedFlow');
  return (
    <View>
      <Text kind="heading">Ground, inlets and ways out</Text>
      {surfaces.length + landings.length === 0 && (
        <Text tone="soft">Look down: where water stands, and above all every place it could go.</Text>
      )}
      {surfaces.map((surface) => (
        <Item
          key={surface.id}
          {...props}
          id={surface.id}
          name={surface.name}
          about={
            surface.feeds.length > 0
              ? `runs to ${surface.feeds.map((feed) => nameOf(job, feed.to)).join(' and ')}`
              : 'led nowhere yet'
          }
          figure={showFlow(
            (plan.sources.contributingAreas.find((each) => each.id === surface.id)?.effectiveArea ?? 0) * plan.rain,
            units,
          )}
        />
      ))}
      {fixed.map((source) => (
        <Item
          key={source.id}
          {...props}
          id={source.id}
          name={source.name}
          about={
            source.feeds.length > 0
              ? `always runs, to ${source.feeds.map((feed) => nameOf(job, feed.to)).join(' and ')}`
              : 'led nowhere yet'
          }
          figure={showFlow(source.flow, units)}
        />
      ))}
      {landings.map((landing) => (
        <Item
          key={landing.id}
          {...props}
          id={landing.id}
          name={landing.name}
          about={words[landing.kind]}
          figure={showLevel(landing.groundLevel, units)}
        />
      ))}
    </View>
  );
}

function Lines(props: ListProps) {
  const { job, units } = useKept();
  const runs = ofKind(job, 'run');
  if (runs.length === 0) return null;
  return (
    <View>
      <Text kind="heading">Lines</Text>
      {runs.map((run) => (
        <Item
          key={run.id}
          {...props}
          id={run.id}
          name={nameOf(job, run.id)}
          about={`${text(showNominal(run.nominal, units))}${run.assumed ? ', length assumed' : ''}`}
          figure={showLength(run.length, units)}
        />
      ))}
    </View>
  );
}
