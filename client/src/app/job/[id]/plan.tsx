export { PlanScreen as default } from '../../../stations/plan/PlanScreen';
