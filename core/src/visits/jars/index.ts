export { FILL_FACTS, fillLabel, JAR_FILLS, type JarFill } from './fills';
export { rankJars, type Jar, type Ranked } from './rank';
export { jarTestsOf, sideBySide, sideBySideWords, type JarTest } from './together';
export { jarsSentence, jarWords } from './words';
