import { alive, bookIn, enter, expect, jobIdOf, PASSWORD, PEOPLE, test, wholeBench } from './fixtures';

/* A shared tablet keeps nothing of a job for who isn't signed in. */

test('a photograph comes from no cache for who isn’t signed in, and a bench whose session ran out shows nothing of its job', async ({
  page,
}) => {
  await enter(page, 'inspector', '/jobs/412?photographs=all', { anew: true });
  const picture = page.locator('img[src*="/photographs/"]').first();
  await expect(picture).toBeVisible();
  const address = (await picture.getAttribute('src')) ?? '';
  const shown = () => page.evaluate((url) => fetch(url).then(({ status }) => status), address);
  expect(await shown()).toBe(200);
  // As when fourteen hours are over: the session is gone, the page still stands there.
  await page.context().clearCookies({ name: 'stereotome' });
  expect(await shown()).toBe(401);
  await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('post bus 31')).toHaveCount(0);
});

test('answers say of themselves what pages do, and refuse what comes from no page of ours', async ({
  page,
  shop,
}) => {
  await enter(page, 'lead');
  const answer = await page.request.get('/api/v1/rack');
  expect(answer.headers()).toMatchObject({
    'x-content-type-options': 'nosniff',
    'referrer-policy': 'same-origin',
  });
  expect(answer.headers()['content-security-policy']).toContain("frame-ancestors 'none'");
  for (const origin of ['null', 'garbage', 'http://', 'https://elsewhere.example']) {
    const refused = await page.request.post('/api/v1/jobs', { data: {}, headers: { origin } });
    expect(refused.status(), origin).toBe(403);
  }
  const long = await page.request.post('/api/v1/jobs', {
    data: `{"customer":"${'x'.repeat(1_200_000)}"}`,
    headers: { origin: shop.url, 'content-type': 'application/json' },
  });
  expect(long.status()).toBe(413);
  expect((await long.json()).message).toContain('More than 1 MB at once');
  expect((await page.request.get('/_next/image?url=%2Ficon.svg&w=64&q=75')).status()).toBe(404);
  expect((await page.request.get('/letter/nobody-made-this-link')).status()).toBe(404);
});

test('no page carries the door within it, and a withdrawn letter is gone, in words', async ({
  page,
  shop,
}) => {
  await enter(page, 'lead', '/jobs/398', { anew: true });
  const jobId = await jobIdOf(page);
  const within = async (address: string) => (await page.request.get(address)).text();
  // Nobody's password travels within a page: the lead's own name is told, no other demonstration person's is.
  expect(await within('/')).not.toContain(PASSWORD);
  const made = await page.request.post(`/api/v1/jobs/${jobId}/reports/1/link`, {
    headers: { origin: shop.url },
  });
  const { token } = (await made.json()) as { token: string };
  expect((await page.request.get(`/letter/${token}`)).status()).toBe(200);
  const read = await within(`/letter/${token}`);
  expect(read).not.toContain(PASSWORD);
  const withdrawn = await page.request.delete(`/api/v1/jobs/${jobId}/reports/1/link`, {
    headers: { origin: shop.url },
  });
  expect(withdrawn.ok()).toBe(true);
  const gone = await page.goto(`/letter/${token}`);
  expect(gone?.status()).toBe(410);
  await expect(page.getByText('The shop has withdrawn this link')).toBeVisible();
  expect((await page.request.get(`/letter/${token}/pdf`)).status()).toBe(410);
  expect((await page.request.get('/letter/nobody-made-this-link')).status()).toBe(404);
});

test.describe('with the bench’s worker', () => {
  test.use({ serviceWorkers: 'allow' });
  test('who signs out without network has left: no page of a job opens again, and the session ends when the network is back', async ({
    page,
    context,
  }) => {
    await enter(page, 'inspector', undefined, { anew: true });
    const peg = await bookIn(page, 'tractor of the yard');
    await wholeBench(page);
    await expect(page.getByText('Kept on this device')).toBeVisible({ timeout: 60_000 });
    expect(await jobIdOf(page)).not.toBe('');
    await context.setOffline(true);
    await page.getByRole('button', { name: `${PEOPLE.inspector}: change, sign out` }).click();
    await page.getByRole('button', { name: 'Sign out', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Signed out' })).toBeVisible();
    await page.goto(`/jobs/${peg}?station=grade`);
    await expect(page.getByRole('heading', { name: 'Signed out' })).toBeVisible();
    await context.setOffline(false);
    await page.goto(`/jobs/${peg}?station=grade`);
    await alive(page);
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await page.getByLabel('Name').fill(PEOPLE.inspector);
    await page.getByLabel('Password').fill(PASSWORD);
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await wholeBench(page);
  });
});
