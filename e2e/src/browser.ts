import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By, error, Key, logging, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import * as chrome from 'selenium-webdriver/chrome.js';
import { shopHere } from './shop-here';

// A machine that stands still for half a minute is no fault of the screens.
const WAIT_MS = 60_000;
/** How long it is waited before it is looked again, ms. */
const LOOK_MS = 40;

/** A text as XPath writes it, whatever quotes are in it. */
const quoted = (text: string): string =>
  `concat("", ${text
    .split('"')
    .map((part) => `"${part}"`)
    .join(`, '"', `)})`;

/** One Chromium with a fresh profile, at 1280×800 unless told otherwise. */
export class Browser {
  private constructor(
    readonly driver: WebDriver,
    private readonly own: string | null,
  ) {}

  /** @param address of a shop other than the demo that all journeys share */
  static async open(address: string | null = null): Promise<Browser> {
    const options = new chrome.Options();
    options.setChromeBinaryPath('/usr/bin/chromium');
    options.addArguments(
      '--headless=new',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-dev-shm-usage',
      `--user-data-dir=${mkdtempSync(join(tmpdir(), 'yard-spool-profile-'))}`,
    );
    const preferences = new logging.Preferences();
    preferences.setLevel(logging.Type.BROWSER, logging.Level.ALL);
    options.setLoggingPrefs(preferences);
    const driver = await new Builder()
      .forBrowser('chrome')
      .setChromeOptions(options)
      .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
      .build();
    const browser = new Browser(driver, address);
    await browser.resize(1280, 800);
    return browser;
  }

  get address(): string {
    return this.own ?? shopHere('YARD_SPOOL_ADDRESS');
  }

  private ownScript: string | null = null;

  /** Runs a script before everything else in each page that is opened from now on, in place of the one before. */
  async beforeEachPage(source: string): Promise<void> {
    const chromium = this.driver as unknown as {
      sendAndGetDevToolsCommand: (name: string, parameters: object) => Promise<{ identifier: string }>;
      sendDevToolsCommand: (name: string, parameters: object) => Promise<void>;
    };
    if (this.ownScript !== null)
      await chromium.sendDevToolsCommand('Page.removeScriptToEvaluateOnNewDocument', {
        identifier: this.ownScript,
      });
    const added = await chromium.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
      source,
    });
    this.ownScript = added.identifier;
  }

  async resize(width: number, height: number): Promise<void> {
    const chromium = this.driver as unknown as {
      sendDevToolsCommand: (name: string, parameters: object) => Promise<void>;
    };
    await chromium.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
      width,
      height,
      deviceScaleFactor: 1,
      mobile: false,
    });
  }

  go(path: string): Promise<void> {
    return this.driver.get(`${this.address}${path}`);
  }

  /** The element a selector finds, once it is there. */
  find(css: string): Promise<WebElement> {
    return this.located(By.css(css), `nothing matches ${css}`);
  }

  /** The element that shows this text, once it is there. */
  text(text: string, tag = '*'): Promise<WebElement> {
    const path = `//${tag}[contains(normalize-space(.), ${quoted(text)})][not(.//${tag}[contains(normalize-space(.), ${quoted(text)})])]`;
    return this.located(By.xpath(path), `"${text}" is not shown`);
  }

  /** Presses the button with this text. */
  async click(text: string): Promise<void> {
    await this.again(async () => (await this.text(text, 'button')).click());
  }

  /** The field with this label. */
  async field(label: string): Promise<WebElement> {
    const path = `//label[normalize-space()=${quoted(label)}] | //label[span[normalize-space()=${quoted(label)}]]`;
    const found = await this.located(By.xpath(path), `no field is labelled "${label}"`);
    const target = await found.getAttribute('for');
    return target
      ? this.driver.findElement(By.id(target))
      : found.findElement(By.css('input, select, textarea'));
  }

  /** Types into the field with this label, in place of what is there. */
  async fill(label: string, text: string): Promise<void> {
    await this.again(async () => {
      const field = await this.field(label);
      await field.clear();
      await field.sendKeys(text);
    });
  }

  /** Chooses the option that contains a text; in a list that is searched by typing it. */
  choose(label: string, text: string): Promise<void> {
    return this.again(async () => {
      const field = await this.field(label);
      const searched = (await field.getAttribute('role')) === 'combobox';
      if (searched) return this.pick(field, text);
      const option = By.xpath(`.//option[contains(normalize-space(.), ${quoted(text)})]`);
      await this.until(
        async () => (await field.findElements(option)).length > 0,
        `no option "${text}" in "${label}"`,
      );
      await field.findElement(option).click();
    });
  }

  private async pick(field: WebElement, text: string): Promise<void> {
    const id = await field.getAttribute('id');
    await field.clear();
    await field.sendKeys(text);
    const option = By.xpath(
      `//*[@id=${quoted(`${id}-options`)}]/li[contains(normalize-space(.), ${quoted(text)})]`,
    );
    await (await this.located(option, `no "${text}" is offered`)).click();
  }

  /** Presses a key while control is held. */
  pressWithControl(key: string): Promise<void> {
    return this.driver.actions().keyDown(Key.CONTROL).sendKeys(key).keyUp(Key.CONTROL).perform();
  }

  /** Presses a key while alt is held. */
  pressWithAlt(key: string): Promise<void> {
    return this.driver.actions().keyDown(Key.ALT).sendKeys(key).keyUp(Key.ALT).perform();
  }

  /** Presses keys on the page itself. */
  press(...keys: string[]): Promise<void> {
    return this.driver
      .actions()
      .sendKeys(...keys)
      .perform();
  }

  /** Waits until the keyboard is at an element. */
  focused(id: string): Promise<boolean> {
    return this.until(
      async () => (await this.driver.switchTo().activeElement().getAttribute('id')) === id,
      `the keyboard is at ${id}`,
    );
  }

  /** Waits until a condition holds; the message says what was awaited. */
  until(condition: () => Promise<boolean>, what: string): Promise<boolean> {
    return this.driver.wait(condition, WAIT_MS, what, LOOK_MS).catch(async (thrown: unknown) => {
      const seen = await this.driver.executeScript<string>(
        'return location.pathname + ": " + [...document.querySelectorAll("h1, [role=alert], [role=status]")].map((one) => one.innerText).join(" | ")',
      );
      throw new Error(`${what} did not come; at ${seen}`, { cause: thrown });
    });
  }

  /** A number that is shown, its thousands grouped. */
  async figure(css: string): Promise<number> {
    return Number((await this.shown(css)).replaceAll(',', ''));
  }

  /** What a selector shows; looked up again where the screen was just drawn again. */
  shown(css: string): Promise<string> {
    return this.again(async () => (await this.find(css)).getText());
  }

  /** Does something with what is on the screen, once more where that was just drawn again. */
  async again<T>(work: () => Promise<T>): Promise<T> {
    try {
      return await work();
    } catch (thrown) {
      if (thrown instanceof error.StaleElementReferenceError) return this.again(work);
      throw thrown;
    }
  }

  /** An element, once it is there. */
  private async located(by: By, what: string): Promise<WebElement> {
    return await this.driver.wait(until.elementLocated(by), WAIT_MS, what, LOOK_MS);
  }

  /** Cuts the page off from the server, or joins it again. */
  async offline(cut: boolean): Promise<void> {
    const chromium = this.driver as unknown as {
      setNetworkConditions: (conditions: object) => Promise<void>;
      deleteNetworkConditions: () => Promise<void>;
    };
    if (!cut) return chromium.deleteNetworkConditions();
    await chromium.setNetworkConditions({
      offline: true,
      latency: 0,
      download_throughput: 0,
      upload_throughput: 0,
    });
  }

  /** Asks the API as the person signed in here. */
  async api<T>(path: string): Promise<T> {
    return this.driver.executeAsyncScript<T>(
      'fetch("/api" + arguments[0]).then((r) => r.json()).then(arguments[1])',
      path,
    );
  }

  /** Sends something to the API as the person signed in, for what a journey needs to be there. */
  async post<T>(path: string, body: object): Promise<T> {
    return this.driver.executeAsyncScript<T>(
      `fetch("/api" + arguments[0], { method: "POST", headers: { "content-type": "application/json" },
        body: arguments[1] }).then((r) => r.json()).then(arguments[2])`,
      path,
      JSON.stringify(body),
    );
  }

  async signIn(name = 'Joss', passcode = 'plover-7'): Promise<void> {
    await this.go('/sign-in');
    await (await this.text(name, 'button')).click();
    await this.fill('Passcode', passcode);
    await (await this.find('button.go')).click();
    await this.until(async () => (await this.driver.getCurrentUrl()).includes('/day'), 'the day comes up');
  }

  /** Everything the console said that is worse than a warning, refused by the content policy included. */
  async complaints(): Promise<string[]> {
    const entries = await this.driver.manage().logs().get(logging.Type.BROWSER);
    return entries
      .filter(({ level, message }) => level.name === 'SEVERE' || message.includes('Content Security Policy'))
      .map(({ message }) => message);
  }

  /** Keeps a picture of a failed case. */
  async keepPicture(name: string): Promise<void> {
    const folder = process.env.YARD_SPOOL_SHOTS ?? join(tmpdir(), 'yard-spool-shots');
    mkdirSync(folder, { recursive: true });
    const file = join(folder, name.replace(/\W+/g, '-'));
    writeFileSync(`${file}.png`, Buffer.from(await this.driver.takeScreenshot(), 'base64'));
    const said = await this.driver.manage().logs().get(logging.Type.BROWSER);
    const lines = said.map(({ level, message }) => `${level.name} ${message}`);
    writeFileSync(`${file}.log`, [await this.driver.getCurrentUrl(), ...lines, ''].join('\n'));
  }

  close(): Promise<void> {
    return this.driver.quit();
  }
}
