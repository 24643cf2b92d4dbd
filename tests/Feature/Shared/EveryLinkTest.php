<?php

namespace Tests\Feature\Shared;

use App\Models\Review;
use App\Models\User;
use Database\Demo\DemoReview;
use Illuminate\Routing\Middleware\ThrottleRequests;
use Illuminate\Support\Facades\Route;
use Tests\Feature\Standin;

/** So many pages of a route are looked at, each asked for other things: filters combine without end. */
const OF_A_ROUTE = 5;

/** Of them, so many that ask for the same by name. */
const OF_A_KIND = 2;

/** Files that are made for the asking, which takes long, have tests of their own. */
const FILES = '~\.?\{format\}|/export|/print|/data$|\.zip$~';

/** What no link leads to: asked by scripts, sent by letter, seen by guests, or of what the demo has none of. */
const BY_NO_LINK = [
    '~^(api/|sign-in|forgot-password|reset-password|invitations/|read/|ready|metrics|up$|storage/|institution)~',
    '~^(post-room|design|account/who-again|tasks)~',
    '~/(ahead|why|standing|find|suggest|heading|describe|offers/\{source\}|text/draft|text/evidence|items/\{item\})$~',
    '~/coding/(papers/\{fullText\}|\{publication\}/(results|passages|\{code\}))$~',
    '~/(full-texts/retrievals|report/made/\{file\}|criteria/\{criterion\}/older|ask/\{question\}|sharper)$~',
    '~/(deliveries/\{delivery\}/rejected|full-texts/files/\{fullText\}/evidence|screening/desk/\{item\})$~',
];

/** @return list<string> where the links and the plain forms of a page lead, within the application */
function leadsTo(string $html): array
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
    $own = rtrim(url('/'), '/');
    $local = array_map(fn (string $to): string => str_starts_with($to, $own) ? substr($to, strlen($own)) ?: '/' : $to, $found);

    return array_values(array_unique(array_filter(
        array_map(fn (string $to): string => explode('#', $to)[0], $local),
        fn (string $to): bool => str_starts_with($to, '/') && ! str_starts_with($to, '//'),
    )));
}

/** @return array{string, string} the pattern of the route that an address leads to, and the names of what is asked of it */
function kindOf(string $address): array
{
    parse_str((string) parse_url($address, PHP_URL_QUERY), $asked);
    ksort($asked);

    return [Route::getRoutes()->match(request()->create($address))->uri(), implode(',', array_keys($asked))];
}

/** @return array{list<string>, list<string>} the routes that were seen, and what was wrong with pages */
function walked(string $who): array
{
    test()->withoutMiddleware(ThrottleRequests::class)->actingAs(User::query()->where('email', "{$who}@heron.example")->sole());
    $seen = $kinds = $wrong = [];
    // the review with most in it first
    $full = Review::query()->where('title', 'Bright light on night shifts')->value('id');
    $waiting = [["/reviews/{$full}/question", 'home'], ['/', '']];
    while ([$address, $from] = array_shift($waiting)) {
        [$route, $asked] = kindOf($address);
        $kinds["{$route} {$asked}"] ??= 0;
        if (preg_match(FILES, $route) === 1 || isset($seen[$route][$address]) || $kinds["{$route} {$asked}"] >= OF_A_KIND || count($seen[$route] ?? []) >= OF_A_ROUTE) {
            continue;
        }
        $seen[$route][$address] = true;
        $kinds["{$route} {$asked}"]++;
        $answer = test()->get($address);
        if ($answer->isRedirection()) {
            $waiting[] = [leadsTo('<a href="'.e((string) $answer->headers->get('Location')).'">x</a>')[0] ?? '/', $from];
        } elseif ($answer->getStatusCode() !== 200) {
            $wrong[] = "{$address}, linked from {$from}: {$answer->getStatusCode()} ".($answer->exception?->getMessage() ?? '');
        } elseif (str_contains((string) $answer->headers->get('Content-Type'), 'text/html')) {
            foreach (leadsTo((string) $answer->getContent()) as $to) {
                $waiting[] = [$to, $address];
            }
        }
    }

    return [array_keys($seen), $wrong];
}

it('leads by its links to every page there is, and to none that fails', function () {
    Standin::answers();
    app(DemoReview::class)->make();
    [$reached, $wrong] = walked('ines.okafor');
    expect($wrong)->toBe([]);
    $all = array_map(
        fn ($route): string => $route->uri(),
        array_filter(iterator_to_array(Route::getRoutes()), fn ($route): bool => in_array('GET', $route->methods(), true)),
    );
    $isMeant = fn (string $uri): bool => array_filter([FILES, ...BY_NO_LINK], fn (string $one): bool => preg_match($one, $uri) === 1) === [];
    expect(array_values(array_unique(array_filter(array_diff($all, $reached), $isMeant))))->toBe([]);
    // who may do less is led to nothing that is refused
    expect(walked('ruth.lindqvist')[1])->toBe([]);
});
