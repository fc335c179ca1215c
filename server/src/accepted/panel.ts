/** Below an offer on the customer's page: what was accepted, the field to accept it in, and questions. */
import { SIGNED, type Accepted } from '@katabasis/core';
import { esc } from '../shares/esc';
import type { Offer } from './offer';

const STYLE = `
fieldset{border:1px solid #b9b09f;margin:1em 0;padding:12px 16px}legend{font-weight:700;padding:0 6px}label{display:block;margin:.7em 0}
input[type=text],textarea{box-sizing:border-box;width:100%;font:inherit;padding:10px;border:1.5px solid #5e574c;border-radius:4px;background:#fff}
input[type=radio],input[type=checkbox]{width:22px;height:22px;vertical-align:middle;margin-right:8px}
canvas{display:block;width:100%;max-width:600px;aspect-ratio:3;background:#fff;border:1.5px solid #5e574c;border-radius:4px;touch-action:none}
button{font:inherit;font-weight:700;padding:12px 18px;border:1.5px solid #1d1a16;border-radius:4px;background:none;min-height:48px}button.main{background:#1d1a16;color:#faf7f0}
.said{font-weight:700}.signed{max-width:300px;background:#fff;border:1px solid #b9b09f}details pre{white-space:pre-wrap;font:15px/1.4 system-ui,sans-serif}
`;

const dayOf = (on: string): string =>
  new Date(`${on.slice(0, 10)}T12:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  });

function acceptance(each: Accepted['accepted'][number]): string {
  const what = each.chosen === null ? '' : `, ${esc(each.chosen)}`;
  const now = each.stands ? '' : '<p>The offer was changed since; what was accepted reads:</p>';
  const signed = `<svg class="signed" viewBox="0 0 ${SIGNED.width} ${SIGNED.height}" role="img" aria-label="Signature of ${esc(each.name)}"><path d="${each.signature}" fill="none" stroke="#1d1a16" stroke-width="3" stroke-linecap="round"/></svg>`;
  return `<div><p><b>Accepted by ${esc(each.name)} on ${dayOf(each.on)}${what}: ${esc(each.price)}</b></p>${signed}${now}<details${each.stands ? '' : ' open'}><summary>What was accepted</summary><pre>${esc(each.offered)}</pre><p>SHA-256 ${each.sha256}</p></details></div>`;
}

function field(offer: Offer, accepted: Accepted['accepted']): string {
  if (!offer.holds)
    return '<fieldset><legend>Not to be accepted yet</legend><p>The plan behind this offer is still being put right. Once it is, it can be accepted here.</p></fieldset>';
  const [last] = accepted;
  if (last?.stands && offer.options.length === 0) return '';
  const choices = offer.options
    .map(
      ({ said, amount }) =>
        `<label><input type="radio" name="chosen" value="${esc(said)}"> ${esc(said)}: <b>${esc(amount)}</b></label>`,
    )
    .join('');
  const title = last ? (last.stands ? 'Choose otherwise' : 'Accept the change') : 'Accept this offer';
  const change =
    last && !last.stands
      ? `<p>What was accepted on ${dayOf(last.on)} came to ${esc(last.price)}; as it reads above it comes to ${esc(offer.price)}. Until you accept the change, what you accepted stands.</p>`
      : '';
  return `<fieldset id="offer" data-sha256="${offer.sha256}"><legend>${title}</legend>${change}${choices}<label>Your name<input type="text" id="name" maxlength="120" autocomplete="name"></label><label for="pad">Your signature</label><canvas id="pad" width="${SIGNED.width}" height="${SIGNED.height}"></canvas><p><button type="button" id="clear">Sign anew</button></p><label><input type="checkbox" id="agreed"> I have read what is done, what is not in it, and what it costs, and accept it.</label><p class="said" id="said" role="status"></p><button type="button" class="main" id="accept">Accept</button></fieldset>`;
}

const question = ({ name, said, at, answer }: Accepted['comments'][number]): string =>
  `<p><b>${esc(name)}, ${dayOf(at)}:</b> ${esc(said)}</p>${answer === null ? '<p>Not answered yet.</p>' : `<p><b>Answer:</b> ${esc(answer)}</p>`}`;

export function panelOf(offer: Offer, { accepted, comments }: Accepted): string {
  const before = accepted.length > 0 ? `<h2>Accepted</h2>${accepted.map(acceptance).join('')}` : '';
  const asked = comments.map(question).join('');
  return `<style>${STYLE}</style>${before}${field(offer, accepted)}<fieldset><legend>Ask about it</legend>${asked}<label>Your name<input type="text" id="asker" maxlength="120" autocomplete="name"></label><label>What you want to ask<textarea id="question" rows="3" maxlength="2000"></textarea></label><p class="said" id="asked" role="status"></p><button type="button" id="ask">Send</button></fieldset><script src="/s/signing.js" defer></script>`;
}
