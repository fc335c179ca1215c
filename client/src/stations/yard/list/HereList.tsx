/** What is here, as a list: rain, roofs and their downspouts, ground, ways out, and the lines between. */
import {
  ELEMENT_KINDS,
  isLanding,
  nameOf,
  rainOf,
  showRain,
  text,
  type Element,
  type Job,
  type Shown,
} from '@katabasis/core';
import { ScrollView, View } from 'react-native';
import { useJob } from '../../../planning/useJob';
import { useStyles } from '../../../theme/theme';
import { SPACE, type Palette } from '../../../theme/tokens';
import { Mark } from '../../../ui/Mark';
import { Press } from '../../../ui/Press';
import { Text } from '../../../ui/Text';
import { calledOf } from '../../../elements/rain';
import { Button } from '../../../ui/Button';
import Plus from 'lucide-react-native/icons/plus';
import Search from 'lucide-react-native/icons/search';
import { viewOf } from '../../../elements';
import type { ListGroup } from '../../../elements/view';

const make = (palette: Palette) => ({
  list: { flex: 1 },
  body: { padding: SPACE.l, gap: SPACE.xl, paddingBottom: 96, maxWidth: 860 },
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
});

interface ListProps {
  chosen: string | null;
  onChoose: (id: string) => void;
}

export function HereList(list: ListProps) {
  const styles = useStyles(make);
  return (
    <ScrollView
      style={styles.list}
      contentContainerStyle={styles.body}
      tabIndex={0}
      role="region"
      aria-label="What is here, as a list"
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        <Button label="Put something in" icon={Plus} kind="main" onPress={() => list.onChoose('new')} testID="add" />
        <Button label="Find" icon={Search} onPress={() => list.onChoose('find')} />
      </View>
      <Rain {...list} />
      <Section
        {...list}
        title="Buildings, roofs and downspouts"
        groups={['buildings', 'roofs']}
        empty="Look up: note each roof face, and the downspout that its gutter feeds."
      />
      <Section
        {...list}
        title="Ground, inlets and ways out"
        groups={['ground', 'inlets']}
        empty="Look down: where water stands, and above all every place it could go."
      />
      <Section {...list} title="Lines" groups={['lines']} />
      <Section {...list} title="Levels, wet spots and soil" groups={['levels']} />
      <Section {...list} title="In the way" groups={['inTheWay']} />
      <Section {...list} title="Photos and sheets" groups={['pictures']} />
    </ScrollView>
  );
}

interface ItemProps extends ListProps {
  id: string;
  name: string;
  about: string;
  figure?: Shown;
}

function Item({ id, name, about, figure, chosen, onChoose }: ItemProps) {
  const { plan } = useJob();
  const styles = useStyles(make);
  const worst = plan.snags.find((snag) => snag.at === id);
  return (
    <Press
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
        <Text kind="figure">
          {figure.value}
          <Text kind="unit"> {figure.unit}</Text>
        </Text>
      )}
      {worst && <Mark kind={worst.severity} />}
    </Press>
  );
}

function Rain(props: ListProps) {
  const { job, units } = useJob();
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

/** Elements of a group, kind by kind; inlets and ways out stand together in the order they were put. */
function itemsOf(job: Job, group: ListGroup): Element[] {
  const own = job.elements.all.filter((element) => viewOf(element).list?.group === group);
  if (group === 'inlets') return own.filter(isLanding);
  return ELEMENT_KINDS.flatMap((kind) => own.filter((element) => element.kind === kind));
}

interface SectionProps extends ListProps {
  title: string;
  groups: readonly ListGroup[];
  /** What to do on site while nothing of it is here; the section is left out where there is nothing to say. */
  empty?: string;
}

function Section({ title, groups, empty, ...props }: SectionProps) {
  const open = useJob();
  const items = groups.flatMap((group) => itemsOf(open.job, group));
  if (items.length === 0 && empty === undefined) return null;
  return (
    <View>
      <Text kind="heading">{title}</Text>
      {items.length === 0 && <Text tone="soft">{empty}</Text>}
      {items.map((element) => (
        <Item
          key={element.id}
          {...props}
          id={element.id}
          name={nameOf(open.job, element.id)}
          {...viewOf(element).list!.about(element, open)}
        />
      ))}
    </View>
  );
}
