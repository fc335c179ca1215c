import { fireEvent, render, screen } from '@testing-library/react';
import { Text, View } from 'react-native';
import { Press } from './Press';

it('is pressed by a click and by the keys of its role; a link not by Space, and none that is off', () => {
  const pressed: string[] = [];
  render(
    <View>
      <Press role="link" aria-label="go" onPress={() => pressed.push('link')} />
      <Press role="checkbox" aria-label="tick" onPress={() => pressed.push('box')} />
      <Press role="button" aria-label="off" disabled onPress={() => pressed.push('off')} />
      <Press role="link" aria-label="gone" disabled onPress={() => pressed.push('gone')} />
    </View>,
  );
  const keys = (name: RegExp, key: string): boolean => fireEvent.keyDown(screen.getByLabelText(name), { key });
  fireEvent.click(screen.getByRole('link', { name: 'go' }));
  keys(/^go$/, 'Enter');
  // Space scrolls where a link has the focus: it is left to the browser.
  expect(keys(/^go$/, ' ')).toBe(true);
  expect(keys(/tick/, ' ')).toBe(false);
  keys(/tick/, 'Enter');
  fireEvent.click(screen.getByRole('button'));
  fireEvent.click(screen.getByLabelText('gone'));
  keys(/gone/, 'Enter');
  expect(pressed).toEqual(['link', 'link', 'box', 'box']);
});

it('takes a press for itself, and a key only where it has the focus', () => {
  const pressed: string[] = [];
  render(
    <Press role="link" onPress={() => pressed.push('outer')}>
      <Press role="radio" aria-label="inner" onPress={() => pressed.push('inner')}>
        <Text>word</Text>
      </Press>
    </Press>,
  );
  fireEvent.click(screen.getByText('word'));
  fireEvent.keyDown(screen.getByRole('radio'), { key: 'Enter' });
  fireEvent.keyDown(screen.getByText('word'), { key: 'Enter' });
  expect(pressed).toEqual(['inner', 'inner']);
});

it('that goes off keeps the focus, and says that it is off', () => {
  const undo = (disabled: boolean) => (
    <Press role="button" aria-label="Undo" disabled={disabled} onPress={() => undefined} />
  );
  const view = render(undo(false));
  const button = screen.getByRole('button', { name: 'Undo' });
  button.focus();
  view.rerender(undo(true));
  expect(button).toHaveAttribute('aria-disabled', 'true');
  expect(button).not.toHaveAttribute('disabled');
  expect(document.activeElement).toBe(button);
  view.rerender(undo(false));
  expect(button).not.toHaveAttribute('aria-disabled');
});
