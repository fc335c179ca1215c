/**
 * What can be pressed. React Native's own keeps a state for a finger down, a pointer above and the focus, and draws itself anew for each:
 * four drawings a tap, of which none looked different. The browser does all that by itself; the press is its click.
 */
import { memo, type KeyboardEvent, type MouseEvent, type ReactNode } from 'react';
import { View, type StyleProp, type ViewProps, type ViewStyle } from 'react-native';

interface Props extends Omit<ViewProps, 'role' | 'style'> {
  role: 'button' | 'link' | 'radio' | 'checkbox';
  onPress: () => void;
  disabled?: boolean;
  style?: StyleProp<ViewStyle>;
  children?: ReactNode;
}

const ON = { cursor: 'pointer', touchAction: 'manipulation' } as ViewStyle;

/** A button is one of the browser's own, which knows its keys. */
function keysOf(role: Props['role']): object {
  if (role === 'button') return {};
  return {
    onKeyDown: (event: KeyboardEvent<HTMLElement>) => {
      if (event.target !== event.currentTarget || !(event.key === 'Enter' || (event.key === ' ' && role !== 'link')))
        return;
      event.preventDefault();
      event.stopPropagation();
      event.currentTarget.click();
    },
  };
}

export const Press = memo(function Press({ role, onPress, disabled = false, style, tabIndex, ...rest }: Props) {
  const press = {
    ...keysOf(role),
    onClick: (event: MouseEvent) => {
      event.stopPropagation();
      if (!disabled && !event.altKey) onPress();
    },
  };
  return (
    <View
      {...rest}
      {...press}
      role={role}
      aria-disabled={disabled}
      style={[!disabled && ON, style]}
      tabIndex={tabIndex ?? (disabled ? -1 : 0)}
    />
  );
});
