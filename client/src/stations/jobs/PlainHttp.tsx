/** What a browser does not do by plain http from another machine, and what to do about it. */
import { Text } from '../../ui/Text';

export const PlainHttp = () =>
  window.isSecureContext ? null : (
    <Text>
      By plain http this browser keeps no application for use without signal, and no passkeys; jobs and changes it does
      keep. By https it keeps all: start the server with “npm run serve -- --lan”, and open its page “/trust” here once.
    </Text>
  );
