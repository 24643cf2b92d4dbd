<?php

declare(strict_types=1);

// Every control of every page of the running demo, pressed by mouse: what the browser complains of, and pages that fail.
// Usage: pressing.php [PERSON]. Pages are found by their links, one of each kind; it takes minutes and changes the demo
// (./heron up --fresh afterwards). What ends a review, a session or somebody's share is left alone.

use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Tests\Browser\Browser;

require __DIR__.'/../vendor/autoload.php';

/** Presses what a page has to press, and follows its links to pages of other kinds. */
final class Pressing
{
    private const CONTROLS = 'main summary, main button, main [role=tab], main input[type=checkbox], main input[type=radio]';

    private const LEFT_ALONE = '/delete|close the review|retire|withdraw|sign out|leave the review|hand them on|take them back|join \d/iu';

    /** Pages on which one closes the review or changes roles, after which little is left to press. */
    private const LAST = '~^/reviews/\*(?:/team|/archive|/screening/stages)?$|^/account|^/archives~';

    /** Like controls of a page, such as those of its rows, that are pressed. */
    private const OF_A_KIND = 2;

    /** @var array<string, string> pages to see by their kind */
    private array $pages = ['/' => '/'];

    /** @var array<string, true> */
    private array $seen = [];

    public int $pressed = 0;

    /** @var list<string> */
    public array $complaints = [];

    public function __construct(private readonly Browser $browser)
    {
    }

    public function all(): void
    {
        while (($kind = $this->next()) !== null) {
            $this->seen[$kind] = true;
            $before = [$this->pressed, count($this->complaints)];
            $this->page($kind, $this->pages[$kind]);
            $more = array_slice($this->complaints, $before[1]);
            echo str_pad($kind, 60), $this->pressed - $before[0], "\n";
            echo implode('', array_map(fn (string $one): string => "    {$one}\n", $more));
        }
    }

    private function next(): ?string
    {
        $left = array_keys(array_diff_key($this->pages, $this->seen));
        $early = array_filter($left, fn (string $kind): bool => preg_match(self::LAST, $kind) !== 1);

        return [...$early, ...$left][0] ?? null;
    }

    private function page(string $kind, string $path): void
    {
        $this->browser->visit($path);
        usleep(400_000);
        $this->heard($kind, 'on opening');
        $this->follow();
        $pressed = [];
        for ($at = 0; ($control = $this->control($at)) !== null; $at++) {
            $words = self::words($control);
            $like = preg_replace('/\d+/', '#', $words);
            $pressed[$like] = ($pressed[$like] ?? 0) + 1;
            if ($pressed[$like] <= self::OF_A_KIND && preg_match(self::LEFT_ALONE, $words) !== 1 && $this->press($control)) {
                $this->heard($kind, "after “{$words}”");
                $this->back($path);
            }
        }
    }

    private function control(int $at): ?RemoteWebElement
    {
        return $this->browser->driver->findElements(WebDriverBy::cssSelector(self::CONTROLS))[$at] ?? null;
    }

    private static function words(RemoteWebElement $control): string
    {
        try {
            $words = $control->getText() ?: ($control->getAttribute('aria-label') ?? $control->getAttribute('name') ?? '');

            return trim((string) preg_replace('/\s+/u', ' ', $words));
        } catch (WebDriverException) {
            return '';
        }
    }

    private function press(RemoteWebElement $control): bool
    {
        try {
            if (! $control->isDisplayed() || ! $control->isEnabled()) {
                return false;
            }
            $this->browser->driver->executeScript('arguments[0].scrollIntoView({block: "center"})', [$control]);
            (new WebDriverActions($this->browser->driver))->moveToElement($control)->click()->perform();
        } catch (WebDriverException) {
            return false; // gone, or moved, while it was looked for
        }
        usleep(150_000);
        $this->pressed++;

        return true;
    }

    private function heard(string $kind, string $when): void
    {
        $title = $this->browser->driver->getTitle();
        if (preg_match('/^(?:Not found|Something went wrong|Not for you|Too many)/u', $title) === 1) {
            $this->complaints[] = "{$kind} {$when}: {$title}";
        }
        foreach ($this->browser->complaints() as $complaint) {
            $this->complaints[] = "{$kind} {$when}: {$complaint}";
        }
    }

    private function back(string $path): void
    {
        if (! str_starts_with($this->browser->path(), (string) strtok($path, '?'))) {
            $this->browser->visit($path);
            usleep(250_000);
        }
    }

    private function follow(): void
    {
        $read = 'return [...document.querySelectorAll("a[href]")].filter((a) => !a.hasAttribute("download"))'
            .'.map((a) => a.getAttribute("href"))';
        foreach ((array) $this->browser->driver->executeScript($read) as $href) {
            $path = (string) preg_replace('~^https?://[^/]+|#.*$~', '', (string) $href);
            $bare = (string) strtok($path, '?');
            $kind = (string) preg_replace('~/[0-9a-z]{26}(?=/|$)~', '/*', $bare);
            if (str_starts_with($path, '/') && preg_match('~\.\w+$|/(?:docx|csv|xlsx|pdf)$|/(?:open|file|export|download|sign)~', $bare) !== 1) {
                $this->pages[$kind] ??= $path;
            }
        }
    }
}

putenv('HERON_TEST_URL='.(getenv('HERON_URL') ?: 'http://127.0.0.1:8080'));
$pressing = new Pressing(Browser::open()->signIn(($argv[1] ?? 'ines.okafor').'@heron.example', 'night-shift-demo'));
$pressing->all();
echo "{$pressing->pressed} pressed, ", count($pressing->complaints), " complaints\n";
Browser::closeAll();
exit($pressing->complaints === [] ? 0 : 1);
