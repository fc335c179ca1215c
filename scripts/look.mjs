import { withPages } from './lib/served.mjs';
await withPages(4897, async (browser, base) => {
  const page = await browser.newPage({ viewport: { width: 390, height: 844 } });
  page.on('pageerror', (e) => console.log('ERR', e.message));
  const go = async (at) => { await page.goto(`${base}/job/quillfeather/build?at=~${at}`); await page.getByTestId('build').waitFor(); await page.waitForTimeout(800); };
  await go('clear'); await page.screenshot({ path: '/tmp/l-clear.png' });
  await page.getByTestId('need-locate').click(); await page.getByTestId('ask-locate').click(); await page.waitForTimeout(600);
  await page.getByTestId('need-locate').scrollIntoViewIfNeeded(); await page.screenshot({ path: '/tmp/l-locate.png' });
  await go('days'); await page.screenshot({ path: '/tmp/l-days.png' });
  await page.getByTestId('step-strip').first().click(); await page.getByTestId('step-strip').first().scrollIntoViewIfNeeded(); await page.screenshot({ path: '/tmp/l-days2.png' });
  await go('options'); await page.getByTestId('keep-aside').click(); await page.waitForTimeout(500); await page.screenshot({ path: '/tmp/l-options.png' });
  await go('paper'); await page.screenshot({ path: '/tmp/l-paper.png' });
  await page.getByTestId('share-customer').click(); await page.waitForTimeout(500); await page.getByTestId('share-link').scrollIntoViewIfNeeded(); await page.screenshot({ path: '/tmp/l-share.png' });
  const link = await page.getByTestId('share-link').innerText();
  const p2 = await browser.newPage({ viewport: { width: 390, height: 844 } }); await p2.goto(link); await p2.screenshot({ path: '/tmp/l-customer.png', fullPage: true });
  await go('price'); await page.getByTestId('save-catalogue').scrollIntoViewIfNeeded(); await page.screenshot({ path: '/tmp/l-book.png' });
});
