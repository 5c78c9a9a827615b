/* All that a test needs of the app in a document, to be bundled with it. */
export { atApp } from './atApp';
export { closeApp, emptyApp, openedApp } from './emptyApp';
export { cleanup } from './render';
