/** Before each file of screen tests: words about the document, and a network that answers nobody. */
import '@testing-library/jest-dom';

globalThis.fetch = () => Promise.reject(new TypeError('no network in these tests'));
