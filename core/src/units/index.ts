export * from './constants';
export * from './format';
export { parseVolume, parseWatch } from './measured';
export {
  parseArea,
  parseFlow,
  parseLength,
  parsePitch,
  parseRain,
  parseRoofPitch,
  parseShare,
  type BareLength,
  type Parsed,
} from './parse';
