import { openBrowser, closeBrowsers, PHONE, WIDE } from '/work/main/e2e/browser.ts';
const [, , size, ...rest] = process.argv;
const ctx = await openBrowser(size === 'wide' ? WIDE : PHONE, ...(process.env.DARK ? [] : []));
const page = ctx.pages()[0] ?? (await ctx.newPage());
await page.addInitScript('globalThis.__name = (given) => given');
if (process.env.DARK) await page.emulateMedia({ colorScheme: 'dark' });
page.on('pageerror', (e) => console.log('ERR', e.message));
await page.goto('http://127.0.0.1:8480/lawns');
await page.getByTestId('email').first().fill('technician@alfombra.demo');
await page.getByTestId('password').first().fill('woven-rug');
await page.getByTestId('sign-in').first().click();
await page.getByTestId('search').first().waitFor();
for (const spec of rest) {
  const [path, name, ...acts] = spec.split('@@');
  if (path) await page.goto('http://127.0.0.1:8480' + path);
  await page.waitForTimeout(2500);
  for (const act of acts) {
    const [kind, what, value] = act.split('::');
    const el = what!.startsWith('text=')
      ? page.getByText(what!.slice(5)).first()
      : page.getByTestId(what!).first();
    if (kind === 'click') await el.click();
    if (kind === 'fill') await el.fill(value!);
    if (kind === 'scroll') await el.scrollIntoViewIfNeeded();
    if (kind === 'key') await page.keyboard.press(value!);
    await page.waitForTimeout(600);
  }
  await page.screenshot({ path: `/tmp/shots/${name}.png` });
}
await closeBrowsers();
