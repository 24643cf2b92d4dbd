<?php

namespace Tests\Feature\Shared;

use App\Models\User;
use Illuminate\Routing\Middleware\ThrottleRequests;
use Illuminate\Support\Facades\Route;

/** Goes through the application by its links alone, as one person, and tells which pages fail. */
final class Walk
{
    /** Files that are made for the asking, which takes long, have tests of their own. */
    private const FILES = '~\.?\{format\}|/export|/print|/data$|\.zip$~';

    /** What no link leads to: asked by scripts, sent by letter, seen by guests, or of what the demo has none of. */
    private const BY_NO_LINK = [
        '~^(api/|sign-in|forgot-password|reset-password|invitations/|read/|ready|metrics|up$|storage/|institution)~',
        '~^(post-room|design|account/who-again|tasks)~',
        '~/(ahead|why|standing|find|suggest|heading|describe|offers/\{source\}|text/draft|text/evidence|items/\{item\})$~',
        '~/coding/(papers/\{fullText\}|\{publication\}/(results|passages|\{code\}))$~',
        '~/(full-texts/retrievals|report/made/\{file\}|criteria/\{criterion\}/older|ask/\{question\}|sharper)$~',
        '~/(deliveries/\{delivery\}/rejected|full-texts/files/\{fullText\}/evidence|screening/desk/\{item\})$~',
    ];

    /** @var array<string, array<string, true>> addresses by route */
    private array $seen = [];

    /** @var list<string> */
    public array $wrong = [];

    /**
     * @param  int  $ofRoute  so many pages of a route are looked at, each asked for other things: filters combine without end
     * @param  int  $ofKind  of them, so many that ask for the same by name
     */
    public function __construct(private readonly User $who, private readonly int $ofRoute, private readonly int $ofKind)
    {
    }

    public function from(string ...$addresses): self
    {
        test()->withoutMiddleware(ThrottleRequests::class)->actingAs($this->who);
        $kinds = [];
        $waiting = array_map(fn (string $address): array => [$address, 'the beginning'], $addresses);
        while ([$address, $from] = array_shift($waiting)) {
            [$route, $kind] = self::kindOf($address);
            $kinds[$kind] ??= 0;
            if (
                isset($this->seen[$route][$address]) ||
                $kinds[$kind] >= $this->ofKind ||
                count($this->seen[$route] ?? []) >= $this->ofRoute ||
                preg_match(self::FILES, $route) === 1
            ) {
                continue;
            }
            $this->seen[$route][$address] = true;
            $kinds[$kind]++;
            foreach ($this->leadsTo($address, $from) as $to) {
                $waiting[] = [$to, $address];
            }
        }

        return $this;
    }

    /** @return list<string> patterns of pages that no link led to, though one should */
    public function unreached(): array
    {
        $pages = array_filter(
            iterator_to_array(Route::getRoutes()),
            fn ($route): bool => in_array('GET', $route->methods(), true),
        );
        $patterns = [self::FILES, ...self::BY_NO_LINK];
        $isMeant = fn (string $uri): bool => ! isset($this->seen[$uri]) &&
            array_filter($patterns, fn (string $one): bool => preg_match($one, $uri) === 1) === [];

        return array_values(array_unique(array_filter(array_map(fn ($route): string => $route->uri(), $pages), $isMeant)));
    }

    /** @return array{string, string} the pattern of the route that an address leads to, alone and with the names of what is asked of it */
    private static function kindOf(string $address): array
    {
        parse_str((string) parse_url($address, PHP_URL_QUERY), $asked);
        ksort($asked);
        $route = Route::getRoutes()->match(request()->create($address))->uri();

        return [$route, $route.' '.implode(',', array_keys($asked))];
    }

    /** @return list<string> */
    private function leadsTo(string $address, string $from): array
    {
        $answer = test()->get($address);
        if ($answer->isRedirection()) {
            return self::own([(string) $answer->headers->get('Location')]);
        }
        if ($answer->getStatusCode() !== 200) {
            $this->wrong[] = "{$address}, linked from {$from}: {$answer->getStatusCode()} ".($answer->exception?->getMessage() ?? '');

            return [];
        }

        return str_contains((string) $answer->headers->get('Content-Type'), 'text/html')
            ? self::links((string) $answer->getContent())
            : [];
    }

    /** @return list<string> where the links and the plain forms of a page lead, within the application */
    private static function links(string $html): array
    {
        $page = new \DOMDocument();
        @$page->loadHTML('<?xml encoding="UTF-8">'.$html);
        $found = [];
        foreach ($page->getElementsByTagName('a') as $link) {
            $found[] = $link->getAttribute('href');
        }
        foreach ($page->getElementsByTagName('form') as $form) {
            $found[] = strtolower($form->getAttribute('method')) === 'post' ? '' : $form->getAttribute('action');
        }

        return self::own($found);
    }

    /**
     * @param  list<string>  $links
     * @return list<string>
     */
    private static function own(array $links): array
    {
        $own = rtrim(url('/'), '/');
        $paths = array_map(
            fn (string $to): string => explode('#', str_starts_with($to, $own) ? substr($to, strlen($own)) ?: '/' : $to)[0],
            $links,
        );

        return array_values(array_unique(array_filter(
            $paths,
            fn (string $to): bool => str_starts_with($to, '/') && ! str_starts_with($to, '//'),
        )));
    }
}
