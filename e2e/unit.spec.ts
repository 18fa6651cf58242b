/** An outdoor unit typed from its diagram, walked, two wires found exchanged, put right and proven; on a phone. */
import { expectAccessible } from './axe';
import { button, call, expect, skip, status, test, untilRunning } from './bench';
import { workDown } from './landing';

test.use({ viewport: { width: 390, height: 844 } });

/** A split air conditioner as a diagram in its door shows it; two lines have something to be asked about. */
const DIAGRAM = `# outdoor unit, door diagram
BK 1: contactor T1 – compressor C
RD 2: contactor T2 – cap C
RD 3: cap C – comp R
BU 4: cap HERM – compresor S
BLK 5: contactor T1 -> fan motor C
WHT 6: cap C -> fan motor R
BN 7: capacitor FAN – fan motor
BK 8: L1 – crankcase heater 1
RD 9: L2 – crankcase heater 2
YE 11: Y to low pressure 1
YE 12: low pressure 2 to high pressure 1
GE 13: high pressure 2 - contactor A1
BU 14: contactor A2 - C`;

test('a unit typed in, walked, two wires found exchanged, put right, proven', async ({ page, server }) => {
  test.slow();
  const answer = await page.request.post(`${server.url}/api/jobs`, {
    data: { name: 'Yard', site: 'Quince orchard', template: 'furnace-ac' },
  });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${server.url}/job/${id}`);
  await page.getByRole('link', { name: 'Survey' }).click();
  await button(page, 'Unit').click();

  // Typed: what is not clear is asked by line, and answered by a tap.
  const list = page.getByRole('textbox', { name: 'Wires of the unit, one a line' });
  await list.fill(DIAGRAM);
  const problems = page.getByRole('list', { name: 'Lines to look at' });
  await expect(problems).toContainText('Line 5: no part is called “compresor S”; did you mean compressor?');
  await expect(problems).toContainText('Line 13: “GE” is yellow in one language and green in another');
  await expect(button(page, 'Take this diagram')).toBeDisabled();
  await button(page, 'BU 4: cap HERM – compressor S').click();
  await button(page, 'YE 13: high pressure 2 – contactor A1').click();
  await expect(page.getByText('13 wires read')).toBeVisible();

  // A last wire with what is offered: part and terminal by their first letters, and what comes between the ends.
  await list.press('End');
  await list.pressSequentially('\nGN 15: ear');
  await button(page, 'Earth PE').click();
  await list.pressSequentially('disconnect LOAD1');
  await expect(page.getByText('14 wires read')).toBeVisible();
  await list.fill((await list.inputValue()).split('\n').slice(0, -1).join('\n'));
  await expect(page.getByText('13 wires read')).toBeVisible();
  await button(page, 'Take this diagram').click();

  // Walked: as drawn, but for the two that sit on one another's terminals.
  const line = page.getByRole('status').filter({ hasText: 'Number' });
  for (let wire = 1; wire <= 13; wire++) {
    await expect(page.getByText(`Wire ${wire} of 13`)).toBeVisible();
    const text = await line.innerText();
    const found = text.includes('Number 4') ? 'FAN' : text.includes('Number 7') ? 'HERM' : null;
    if (found === null) {
      await button(page, 'As drawn, next wire').click();
      continue;
    }
    await button(page, 'Something else is there').click();
    await button(page, `Run capacitor ${found}`).click();
    await button(page, 'That is how it is, next wire').click();
  }

  // Compared: what the exchange does, by itself; it must go.
  await button(page, 'What differs').click();
  await button(page, 'Compare with the diagram').click();
  const differences = page.getByRole('list', { name: 'What differs' });
  await expect(differences).toContainText('4 blue and 7 brown exchanged');
  await expect(differences).toContainText('No call ever runs the compressor.');
  await expect(differences).toContainText('Must go');
  await expectAccessible(page);

  // The live model says the same of the unit as it was found, and names a wire.
  await page.getByRole('link', { name: 'Trace' }).click();
  await call(page, 'Cool');
  await skip(page);
  await expect(status(page)).toContainText('lies between Run capacitor FAN and Compressor S');
  await call(page, 'Off');

  // Measured before power: three resistances name the pins.
  await page.getByRole('link', { name: 'Survey' }).click();
  await button(page, 'Unit').click();
  await button(page, 'The unit: Before power').click();
  for (const [pair, ohms] of [
    ['1–2', '4.8'],
    ['2–3', '1.2'],
    ['1–3', '3,6'],
  ])
    await page
      .getByRole('textbox', { name: `Leads ${pair}, Ω` })
      .first()
      .fill(ohms!);
  await expect(page.getByText('Lead 1 is S, Lead 2 is R, Lead 3 is C.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Reads, µF' }).first().fill('30');
  await expect(page.getByText('30.0 µF of 35.0: weak.')).toBeVisible();

  // Put right by the landing list: dead, discharged, moved.
  await button(page, 'The unit: Differs').click();
  await button(page, 'Compare with the diagram').click();
  await button(page, 'Put it right: take the diagram as the plan').click();
  const steps = await workDown(page);
  const at = (text: RegExp) => steps.findIndex((step) => text.test(step));
  expect(at(/^Prove contactor dead/i)).toBeGreaterThan(at(/^Open /));
  expect(at(/^Discharge Run capacitor .* C to HERM and C to FAN/)).toBeGreaterThan(
    at(/^Prove contactor dead/i),
  );
  expect(at(/^Move blue .* from Run capacitor FAN to Run capacitor HERM/)).toBeGreaterThan(at(/^Discharge/));

  await page.getByRole('link', { name: 'Trace' }).click();
  await call(page, 'Cool');
  await untilRunning(page, /Cooling: blower \(cooling speed\), contactor coil, compressor and fan motor on/);
});
