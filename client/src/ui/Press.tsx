/**
 * What can be pressed. React Native's own keeps a state for a finger down, a pointer above and the focus, and draws itself anew for each:
 * four drawings a tap, of which none looked different. The browser does all that by itself; the press is its click.
 */
import {
  memo,
  useLayoutEffect,
  useRef,
  type KeyboardEvent,
  type MouseEvent,
  type ReactNode,
  type RefObject,
} from 'react';
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

/**
 * Says of an element that it is off. The browser's own `disabled`, which React Native sets with it, takes the focus from a button that has
 * just been pressed; and to give it back, React has the whole page laid out within the tap.
 */
function useSaidOff(disabled: boolean): RefObject<View | null> {
  const ref = useRef<View>(null);
  useLayoutEffect(() => {
    const element = ref.current as unknown as Element;
    if (disabled) element.setAttribute('aria-disabled', 'true');
    else element.removeAttribute('aria-disabled');
  }, [disabled]);
  return ref;
}

export const Press = memo(function Press({ role, onPress, disabled = false, style, tabIndex, ...rest }: Props) {
  const ref = useSaidOff(disabled);
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
      ref={ref}
      role={role}
      style={[!disabled && ON, style]}
      tabIndex={tabIndex ?? (disabled ? -1 : 0)}
    />
  );
});
