/** The sheet of any element: its own form, what it does, and its snags. */
import { nameOf, removal, type Element } from '@katabasis/core';
import Trash from 'lucide-react-native/icons/trash';
import { View } from 'react-native';
import { useKept } from '../../data/useJob';
import { Button } from '../../ui/Button';
import { Sheet } from '../../ui/Sheet';
import { RunSheet } from '../plan/RunSheet';
import { SnagItem } from '../plan/SnagItem';
import { JobForm } from '../JobForm';
import { BasinForm, ChannelForm, DischargeForm, DownspoutForm, JunctionForm } from './landingForms';
import { InletPanel } from './inletPanels';
import { PipeFromHere } from './PipeFromHere';
import { RainForm } from './RainForm';
import { FixedFlowForm, RoofFaceForm, SurfaceForm } from './shedForms';

interface Props {
  id: string;
  onClose: () => void;
  onGo: (id: string) => void;
}

const KIND_WORDS: Record<Element['kind'], string> = {
  job: 'Job',
  rain: 'Design rain',
  roofFace: 'Roof face',
  surface: 'Ground that drains here',
  downspout: 'Downspout',
  junction: 'Landing',
  basin: 'Catch basin',
  channel: 'Channel drain',
  fixedFlow: 'Steady water',
  discharge: 'Way out',
  run: 'Solid pipe',
};

export function ElementSheet({ id, onClose, onGo }: Props) {
  const { job, plan, edit } = useKept();
  const element = job.elements.get(id);
  if (id === 'rain')
    return (
      <Sheet title="Design rain" onClose={onClose}>
        <RainForm />
      </Sheet>
    );
  if (id === 'job')
    return (
      <Sheet title="This job" onClose={onClose}>
        <JobForm />
      </Sheet>
    );
  if (!element || element.kind === 'job' || element.kind === 'rain') return null;
  if (element.kind === 'run') return <RunSheet key={id} id={id} onClose={onClose} onGo={onGo} />;
  const snags = plan.snags.filter((snag) => snag.at === id);
  const remove = (): void => {
    edit(removal(job, id));
    onClose();
  };
  return (
    <Sheet key={id} title={nameOf(job, id)} over={KIND_WORDS[element.kind]} onClose={onClose}>
      {element.kind === 'roofFace' && <RoofFaceForm face={element} />}
      {element.kind === 'surface' && <SurfaceForm surface={element} />}
      {element.kind === 'fixedFlow' && <FixedFlowForm source={element} />}
      <InletPanel id={id} />
      {element.kind === 'downspout' && <DownspoutForm downspout={element} />}
      {element.kind === 'junction' && <JunctionForm junction={element} />}
      {element.kind === 'basin' && <BasinForm basin={element} />}
      {element.kind === 'channel' && <ChannelForm channel={element} />}
      {element.kind === 'discharge' && <DischargeForm discharge={element} />}
      <PipeFromHere id={id} onGo={onGo} />
      {snags.length > 0 && (
        <View>
          {snags.map((snag) => (
            <SnagItem key={snag.code} snag={snag} />
          ))}
        </View>
      )}
      <View style={{ flexDirection: 'row' }}>
        <Button label={`Take out ${nameOf(job, id)}`} icon={Trash} kind="bare" onPress={remove} />
      </View>
    </Sheet>
  );
}
