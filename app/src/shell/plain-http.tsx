import { useState } from 'react';
import { View } from 'react-native';
import { remember, setting } from '../browser/page-storage';
import { Button } from '../ui/button';
import { Small } from '../ui/text';

const SAID = 'ogee.plain-http-said';

/** Whether the browser keeps things from this page that it gives to one that came by a safe way. */
const isPlain = (): boolean => typeof window !== 'undefined' && !window.isSecureContext;

/** Said once on a device: what an address of plain http lacks. Everything that is entered works all the same. */
export const PlainHttp = () => {
  const [open, setOpen] = useState(() => isPlain() && setting(SAID) === null);
  if (!open) return null;
  return (
    <View
      role="status"
      testID="plain-http"
      className="flex-row items-center gap-2 border-b border-edge bg-sheet px-3 py-2"
    >
      <Small className="min-w-0 flex-1">
        This address is plain http. What you enter and tick is kept and sent as anywhere else; but
        the app does not open here without a signal, and the screen may go to sleep.
      </Small>
      <Button
        label="Good"
        testID="plain-http-said"
        onPress={() => {
          remember(SAID, 'yes');
          setOpen(false);
        }}
      />
    </View>
  );
};
