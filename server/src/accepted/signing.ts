/**
 * What the customer's page does in the browser: a signature drawn by finger, and what is sent. It is sent to the browser as it stands here,
 * so that it uses nothing of around it.
 */

/** Runs in a page that has the panel of an offer in it. */
function onPage(): void {
  const pad = document.querySelector<HTMLCanvasElement>('#pad');
  const strokes: [number, number][][] = [];
  const field = (id: string): HTMLInputElement | null => document.querySelector(`#${id}`);
  const tell = (id: string, words: string): void => {
    const line = document.querySelector(`#${id}`);
    if (line) line.textContent = words;
  };
  const send = async (path: string, body: unknown, line: string): Promise<void> => {
    tell(line, 'Sending…');
    const answer = await fetch(location.pathname + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    }).catch(() => null);
    if (answer?.ok) return location.reload();
    const problem = (await answer?.json().catch(() => null)) as { title?: string } | null | undefined;
    tell(line, problem?.title ?? 'It could not be sent. What you wrote stands here still; try once more.');
  };
  const pen = pad?.getContext('2d');
  if (pad && pen) {
    pen.lineWidth = 3;
    pen.lineCap = 'round';
    pen.strokeStyle = '#1d1a16';
    const at = (event: PointerEvent): [number, number] => {
      const box = pad.getBoundingClientRect();
      const within = (value: number, most: number): number => Math.max(0, Math.min(most, Math.round(value)));
      return [
        within(((event.clientX - box.left) * pad.width) / box.width, pad.width),
        within(((event.clientY - box.top) * pad.height) / box.height, pad.height),
      ];
    };
    let stroke: [number, number][] | null = null;
    pad.addEventListener('pointerdown', (event) => {
      pad.setPointerCapture(event.pointerId);
      stroke = [at(event)];
    });
    pad.addEventListener('pointermove', (event) => {
      if (!stroke || stroke.length >= 2000) return;
      const [last, next] = [stroke.at(-1)!, at(event)];
      if (last[0] === next[0] && last[1] === next[1]) return;
      stroke.push(next);
      pen.beginPath();
      pen.moveTo(...last);
      pen.lineTo(...next);
      pen.stroke();
    });
    const lift = (): void => {
      if (stroke && stroke.length > 1 && strokes.length < 60) strokes.push(stroke);
      stroke = null;
    };
    pad.addEventListener('pointerup', lift);
    pad.addEventListener('pointercancel', lift);
    document.querySelector('#clear')?.addEventListener('click', () => {
      strokes.length = 0;
      pen.clearRect(0, 0, pad.width, pad.height);
    });
  }
  document.querySelector('#accept')?.addEventListener('click', () => {
    const name = field('name')!.value.trim();
    const chosen = document.querySelector<HTMLInputElement>('input[name=chosen]:checked');
    const agreed = field('agreed')!.checked;
    if (document.querySelector('input[name=chosen]') && !chosen) return tell('said', 'Say which of them you want.');
    if (name === '') return tell('said', 'Write your name.');
    if (strokes.length === 0) return tell('said', 'Sign in the field, with a finger or the mouse.');
    if (!agreed) return tell('said', 'Tick that you have read it.');
    const now = new Date();
    const two = (number: number): string => String(number).padStart(2, '0');
    const on = `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
    const { sha256 } = document.querySelector<HTMLElement>('#offer')!.dataset;
    void send('/accept', { sha256, name, on, chosen: chosen?.value ?? null, signature: strokes }, 'said');
  });
  document.querySelector('#ask')?.addEventListener('click', () => {
    const [name, said] = [field('asker')!.value.trim(), field('question')!.value.trim()];
    if (name === '' || said === '') return tell('asked', 'Write your name, and what you want to ask.');
    void send('/comments', { name, said }, 'asked');
  });
}

export const SIGNING = `(${onPage.toString()})();`;
