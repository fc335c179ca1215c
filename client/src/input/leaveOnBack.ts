/** Going back leaves the box that somebody types in, as a tap elsewhere does: what stands in it is taken before its sheet goes. Gives what ends it. */
export function leaveBoxOnBack(): () => void {
  const leave = (): void => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  };
  window.addEventListener('popstate', leave, true);
  return () => window.removeEventListener('popstate', leave, true);
}
