/** How buried services are marked: ground paint is everybody's, and a letter says it too. */
import type { ServiceForm } from '../job/kinds';

export const SERVICE_PAINT: Record<ServiceForm, { letter: string; paint: string }> = {
  power: { letter: 'E', paint: '#c8102e' },
  gas: { letter: 'G', paint: '#b58900' },
  water: { letter: 'W', paint: '#1976b8' },
  sewer: { letter: 'S', paint: '#1b7a3d' },
  telecom: { letter: 'T', paint: '#d35400' },
  irrigation: { letter: 'IR', paint: '#7d3c98' },
  lighting: { letter: 'L', paint: '#c8102e' },
  invisibleFence: { letter: 'F', paint: '#d35400' },
  septicField: { letter: 'SF', paint: '#1b7a3d' },
  well: { letter: 'WL', paint: '#1976b8' },
};
