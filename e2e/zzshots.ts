import { launchBrowser } from './support/browser';
import { serveHouse } from './support/servedHouse';
const shots: [string, string, string[]][] = JSON.parse(process.argv[2] ?? '[]');
const house = await serveHouse();
const browser = await launchBrowser();
const page = await browser.newPage();
await page.setViewport({ width: Number(process.env['W'] ?? 1280), height: 800 });
await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
for (const [name, path, through] of shots) {
  await page.goto(`${house.url}${path}`, { waitUntil: 'networkidle2' });
  for (const words of through) {
    try {
      await page.locator(`::-p-text(${words})`).setTimeout(4000).click();
    } catch {
      console.log('no', words);
    }
    await new Promise((r) => setTimeout(r, 250));
  }
  await new Promise((r) => setTimeout(r, Number(process.env["WAIT"] ?? 300)));
  await page.screenshot({ path: `/tmp/${name}.png` as `${string}.png` });
}
await browser.close();
await house.close?.();
process.exit(0);
