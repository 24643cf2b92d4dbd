<?php

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\ElementNotInteractableException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Exception\UnknownErrorException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\JsonWireCompat;
use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\Remote\RemoteExecuteMethod;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;

/** One person at one browser, who sees words and presses keys. */
final class Browser
{
    /** In seconds; on a machine that others keep busy, work in the background has taken a third of it. */
    private const PATIENCE = 40.0;

    /** All rules of axe on a large page take a second, and more than thirty where the processor is somebody else's. */
    private const SCRIPT_PATIENCE = 120;

    /**
     * Asked in one go: each question to a browser costs more than its answer. What lies in a closed part of the page has
     * a size all the same. Fields for files are never seen and can be used.
     */
    private const FIRST_SEEN = <<<'JS'
        for (const path of arguments[0]) {
            const all = document.evaluate(path, document, null, XPathResult.ORDERED_NODE_SNAPSHOT_TYPE, null);
            for (let i = 0; i < all.snapshotLength; i++) {
                const one = all.snapshotItem(i);
                const box = one.getBoundingClientRect();
                const isSeen = box.width > 0 && box.height > 0
                    && one.checkVisibility({ visibilityProperty: true, opacityProperty: true });
                if (isSeen || one.type === 'file') return one;
            }
        }
        return null;
        JS;

    /** @var resource|null */
    private static $chromeDriver;

    private static int $port = 0;

    /** @var list<self> */
    private static array $open = [];

    /** @var list<self> that stand ready, since the start of one takes seconds */
    private static array $idle = [];

    private function __construct(public readonly RemoteWebDriver $driver, public readonly string $downloads)
    {
    }

    public static function open(): self
    {
        $browser = array_pop(self::$idle) ?? self::start();
        $browser->tools('Emulation.setDeviceMetricsOverride', [
            'width' => 1280,
            'height' => 800,
            'deviceScaleFactor' => 1,
            'mobile' => false,
        ]);

        $browser->tools('Browser.setDownloadBehavior', ['behavior' => 'allow', 'downloadPath' => $browser->downloads]);

        return self::$open[] = $browser;
    }

    private static function start(): self
    {
        self::startChromeDriver();
        $downloads = sys_get_temp_dir().'/heron-downloads-'.bin2hex(random_bytes(4));
        mkdir($downloads);
        $options = new ChromeOptions();
        $options->setBinary(__DIR__.'/headless');
        $options->addArguments([
            '--no-sandbox',
            '--disable-gpu',
            '--disable-quic',
            "--user-data-dir={$downloads}-profile",
        ]);
        $wanted = DesiredCapabilities::chrome();
        $wanted->setCapability(ChromeOptions::CAPABILITY, $options);
        $wanted->setCapability('goog:loggingPrefs', ['browser' => 'ALL']);

        $driver = RemoteWebDriver::create('http://127.0.0.1:'.self::$port, $wanted, 60_000, 150_000);
        $driver->manage()->timeouts()->setScriptTimeout(self::SCRIPT_PATIENCE);

        return new self($driver, $downloads);
    }

    /** In a process of its own: those that there are are another's. */
    public static function forget(): void
    {
        self::$open = self::$idle = [];
    }

    public static function closeAll(): void
    {
        foreach ([...self::$open, ...self::$idle] as $browser) {
            $browser->driver->quit();
        }
        self::$open = self::$idle = [];
    }

    /** For the next test, with nothing of this one in them. */
    public static function putAway(): void
    {
        foreach (self::$open as $browser) {
            $browser->clean();
        }
        self::$idle = [...self::$idle, ...self::$open];
        self::$open = [];
    }

    /** A tab of its own has no history, no size, no speed of the line and no session; what a browser keeps is dropped. */
    private function clean(): void
    {
        $before = $this->driver->getWindowHandles();
        $this->driver->switchTo()->newWindow();
        $fresh = $this->driver->getWindowHandle();
        foreach ($before as $window) {
            $this->driver->switchTo()->window($window)->close();
        }
        $this->driver->switchTo()->window($fresh);
        $this->tools('Storage.clearDataForOrigin', ['origin' => getenv('HERON_TEST_URL'), 'storageTypes' => 'all']);
        $this->tools('Network.clearBrowserCookies');
        $this->tools('Network.clearBrowserCache');
        $this->driver->manage()->getLog('browser');
        array_map(unlink(...), glob("{$this->downloads}/*") ?: []);
    }

    /** What the browsers show, for somebody who wants to know why a test failed. */
    public static function keepWhatIsShown(string $test): void
    {
        $folder = __DIR__.'/../../var/test/failures';
        is_dir($folder) || mkdir($folder, recursive: true);
        foreach (self::$open as $i => $browser) {
            $name = $folder.'/'.preg_replace('/\W+/', '-', $test)."-{$i}";
            $browser->driver->takeScreenshot("{$name}.png");
            file_put_contents(
                "{$name}.html",
                $browser->driver->getCurrentURL()."\n".$browser->driver->getPageSource(),
            );
        }
    }

    /** @param  array<string, mixed>  $parameters */
    public function tools(string $command, array $parameters = []): void
    {
        (new ChromeDevToolsDriver($this->driver))->execute($command, $parameters);
    }

    public function visit(string $path): self
    {
        $this->driver->get(str_starts_with($path, 'http') ? $path : getenv('HERON_TEST_URL').$path);

        return $this;
    }

    public function signIn(string $email, string $password): self
    {
        return $this->visit('/sign-in')
            ->fill('E-mail address', $email)
            ->fill('Password', $password)
            ->press('Sign in')
            ->sees('What waits for me');
    }

    public function fill(string $label, string $text): self
    {
        $field = $this->labelled($label);
        $field->clear();
        $field->sendKeys($text);

        return $this;
    }

    public function choose(string $label, string $option): self
    {
        $this->labelled($label)->findElement(WebDriverBy::xpath(".//option[normalize-space()='{$option}']"))->click();

        return $this;
    }

    public function tick(string $label): self
    {
        $this->one("//label[contains(normalize-space(),\"{$label}\")]//input")->click();

        return $this;
    }

    public function attach(string $label, string ...$paths): self
    {
        $field = $this->labelled($label);
        $field->setFileDetector(new LocalFileDetector());
        $field->sendKeys(implode("\n", $paths));

        return $this;
    }

    /** A button or link by its words. */
    public function press(string $words): self
    {
        $named = fn (string $test): string => implode(
            ' | ',
            array_map(fn (string $tag): string => "//{$tag}[{$test}]", ['button', 'a', 'summary']),
        );
        // the very words before words that merely contain them
        $exactly = $named("normalize-space()=\"{$words}\"");
        $somewhere = $named("contains(normalize-space(),\"{$words}\")");
        for ($tries = 3; ; $tries--) {
            try {
                $found = $this->one($exactly, $somewhere);
                $this->driver->executeScript('arguments[0].scrollIntoView({block: "center"})', [$found]);
                $found->click();

                return $this;
            } catch (StaleElementReferenceException|UnknownErrorException $gone) {
                // the page was drawn anew between finding and pressing, as when background work ends
                $isGone = $gone instanceof StaleElementReferenceException ||
                    str_contains((string) $gone->getMessage(), 'does not belong to the document');
                if (! $isGone || $tries === 1) {
                    throw $gone;
                }
            }
        }
    }

    public function keys(string ...$keys): self
    {
        foreach ($keys as $key) {
            $this->until(function () use ($key): bool {
                try {
                    $this->driver->switchTo()->activeElement()->sendKeys($key);

                    return true;
                } catch (ElementNotInteractableException) {
                    return false; // what had the focus is just going away
                }
            }, "The key {$key} could not be pressed");
        }

        return $this;
    }

    public function sees(string $words): self
    {
        $this->until(fn (): bool => $this->shows($words), "“{$words}” is not on the page");

        return $this;
    }

    public function seesNot(string $words): self
    {
        expect($this->text())->not->toContain($words);

        return $this;
    }

    private function shows(string $words): bool
    {
        return $this->driver->executeScript('return document.body.innerText.includes(arguments[0])', [$words]);
    }

    public function path(): string
    {
        return (string) parse_url($this->driver->getCurrentURL(), PHP_URL_PATH);
    }

    public function text(): string
    {
        return (string) $this->driver->executeScript('return document.body.innerText');
    }

    public function heading(): string
    {
        return (string) $this->driver->executeScript(
            'return [...document.querySelectorAll("article h1, h1")].find(h => h.offsetParent)?.innerText ?? ""',
        );
    }

    public function download(string $words): string
    {
        $before = glob("{$this->downloads}/*") ?: [];
        $this->press($words);
        $new = [];
        $this->until(function () use ($before, &$new): bool {
            $new = array_values(array_diff(glob("{$this->downloads}/*") ?: [], $before));

            return $new !== [] && ! str_ends_with($new[0], '.crdownload');
        }, "{$words} was not downloaded");

        return (string) file_get_contents($new[0]);
    }

    /** @param  int  $latency  milliseconds that each answer takes longer */
    public function online(bool $online, int $latency = 0): self
    {
        $this->tools('Network.enable');
        $this->tools('Network.emulateNetworkConditions', [
            'offline' => ! $online,
            'latency' => $latency,
            'downloadThroughput' => -1,
            'uploadThroughput' => -1,
        ]);

        return $this;
    }

    /** @return list<string> what axe finds serious or worse, by all its rules or by one */
    public function axe(string $rule = ''): array
    {
        if ($this->driver->executeScript('return window.axe === undefined')) {
            $this->driver->executeScript((string) file_get_contents(__DIR__.'/../../node_modules/axe-core/axe.min.js'));
        }

        return $this->driver->executeAsyncScript(
            'const done = arguments[arguments.length - 1]; axe.run({resultTypes: ["violations"], ...(arguments[0] ? {runOnly: [arguments[0]]} : {})}).then(r => done(r.violations.filter(v => ["serious", "critical"].includes(v.impact)).map(v => v.id + ": " + v.nodes.map(n => n.html.slice(0, 120)).slice(0, 3).join(" | "))))',
            [$rule],
        );
    }

    /** @return list<string> controls that cannot be pressed where they are seen, menus opened one by one */
    public function covered(): array
    {
        $script = str_replace('export function', 'function', (string) file_get_contents(__DIR__.'/js/covered.js'));

        return $this->driver->executeScript("{$script}; return covered();");
    }

    public function isTooWide(): bool
    {
        return $this->driver->executeScript(
            'return document.documentElement.scrollWidth > document.documentElement.clientWidth',
        );
    }

    /** @return list<string> errors that the browser wrote down, refused styles and scripts among them */
    public function complaints(): array
    {
        return array_values(
            array_map(
                fn (array $entry): string => $entry['message'],
                array_filter(
                    $this->driver->manage()->getLog('browser'),
                    fn (array $entry): bool => $entry['level'] === 'SEVERE',
                ),
            ),
        );
    }

    public function until(callable $holds, string $otherwise): self
    {
        $end = microtime(true) + self::PATIENCE;
        do {
            try {
                if ($holds()) {
                    expect(true)->toBeTrue();

                    return $this;
                }
            } catch (StaleElementReferenceException) {
            }
            usleep(60_000);
        } while (microtime(true) < $end);
        throw new \PHPUnit\Framework\AssertionFailedError(
            "{$otherwise}. At {$this->driver->getCurrentURL()}:\n".mb_substr($this->text(), 0, 1500),
        );
    }

    private function labelled(string $label): RemoteWebElement
    {
        $named = $this->one(
            "//label[starts-with(normalize-space(),\"{$label}\")] | //*[self::input or self::textarea or self::select][@aria-label=\"{$label}\"]",
        );

        if ($named->getTagName() !== 'label') {
            return $named;
        }
        $for = (string) $named->getAttribute('for');

        return $for === ''
            ? $named->findElement(WebDriverBy::xpath('.//*[self::input or self::textarea or self::select]'))
            : $this->one("//*[@id='{$for}']");
    }

    /** The first that is seen of what the first of these paths leads to, else the next. */
    public function one(string ...$xpaths): RemoteWebElement
    {
        $found = null;
        $this->until(function () use ($xpaths, &$found): bool {
            $found = $this->driver->executeScript(self::FIRST_SEEN, [$xpaths]);

            return $found !== null;
        }, 'Nothing is found by '.implode(' or ', $xpaths));

        return new RemoteWebElement(new RemoteExecuteMethod($this->driver), (string) JsonWireCompat::getElement($found), true);
    }

    private static function startChromeDriver(): void
    {
        if (self::$chromeDriver !== null) {
            return;
        }
        $free = stream_socket_server('tcp://127.0.0.1:0');
        self::$port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);
        self::$chromeDriver = proc_open(
            ['/usr/bin/chromedriver', '--port='.self::$port, '--log-level=SEVERE'],
            [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']],
            $pipes,
        );
        register_shutdown_function(function (): void {
            self::closeAll(); // killing ChromeDriver alone would leave its browsers running
            proc_terminate(self::$chromeDriver);
        });
        for ($i = 0; $i < 100 && ! self::answers(self::$port); $i++) {
            usleep(100_000);
        }
    }

    private static function answers(int $port): bool
    {
        set_error_handler(fn (): bool => true);
        $socket = fsockopen('127.0.0.1', $port, timeout: 1);
        restore_error_handler();
        if ($socket !== false) {
            fclose($socket);
        }

        return $socket !== false;
    }
}
