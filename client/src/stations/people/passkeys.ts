/** Whether a passkey can be kept here: a browser that knows them, by https or on the machine itself, under a name that is no number. */
export const hasPasskeys = (): boolean =>
  typeof PublicKeyCredential !== 'undefined' &&
  window.isSecureContext &&
  !/^[\d.[\]:]+$/.test(window.location.hostname);
