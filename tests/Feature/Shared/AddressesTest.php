<?php

namespace Tests\Feature\Shared;

use App\Http\Addresses;
use Illuminate\Routing\Exceptions\UrlGenerationException;
use Illuminate\Routing\UrlGenerator;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;
use Tests\Feature\World;

/** The framework's own, with the same origin. */
function framework(): UrlGenerator
{
    $plain = new UrlGenerator(Route::getRoutes(), request());
    $plain->useOrigin((string) config('app.url'));
    $plain->forceScheme((string) parse_url((string) config('app.url'), PHP_URL_SCHEME));

    return $plain;
}

function address(UrlGenerator $of, string $name, mixed $given, bool $absolute = true): string
{
    try {
        return $of->route($name, $given, $absolute);
    } catch (UrlGenerationException $problem) {
        return $problem->getMessage();
    }
}

/** @return list<array<array-key, mixed>|string> ways to give one key for each of these parameters, or not quite */
function waysToGive(array $names, mixed $key): array
{
    $each = array_map(fn (): mixed => $key, $names);
    $named = array_combine($names, $each);

    return [
        $each,
        $named,
        array_reverse($named),
        [...$each, 'more' => 'on & on'],
        [...$each, 'extra'],
        array_slice($each, 1),
        ...is_string($key) ? [$key] : [],
    ];
}

it('makes every address as the framework does, whatever is given for its parameters', function () {
    $ours = app('url');
    expect($ours)->toBeInstanceOf(Addresses::class);
    $theirs = framework();
    $odd = [7, 'csv', '', 'two words', 'a/b', 'später', '50%', '..', '{review}', 'x?y#z', null, true];
    $different = $seen = [];
    foreach (Route::getRoutes()->getRoutesByName() as $name => $route) {
        $names = $route->parameterNames();
        $seen[count($names)] = ($seen[count($names)] ?? 0) + 1;
        foreach (['01jabcdefghjkmnpqrstvwxyz0', ...$seen[count($names)] > 2 ? [] : $odd] as $key) {
            foreach (waysToGive($names, $key) as $given) {
                foreach ($seen[count($names)] > 2 ? [true] : [true, false] as $absolute) {
                    $made = address($ours, $name, $given, $absolute);
                    $expected = address($theirs, $name, $given, $absolute);
                    $different += $made === $expected ? [] : ["{$name} ".json_encode($given) => [$made, $expected]];
                }
            }
        }
    }

    expect($different)->toBe([]);
});

it('takes records for their keys, alone and among others, and follows the address of the copy', function () {
    $review = (new World())->review;
    expect(route('library', $review))
        ->toBe(framework()->route('library', $review))
        ->toEndWith("/reviews/{$review->id}/records")
        ->and(route('publications.show', [$review, 'publication' => $review->id]))
        ->toEndWith("/reviews/{$review->id}/publications/{$review->id}");

    app('url')->useOrigin('https://heron.example/copy');
    app('url')->forceScheme('https');
    expect(route('library', $review))->toBe("https://heron.example/copy/reviews/{$review->id}/records");
});

it('forgets what it knew of routes when they are others', function () {
    $id = strtolower((string) Str::ulid());
    $before = route('library', $id);
    $routes = new \Illuminate\Routing\RouteCollection();
    $routes->add((new \Illuminate\Routing\Route('GET', 'elsewhere/{review}', []))->name('library'));
    app('url')->setRoutes($routes);

    expect(route('library', $id))->not->toBe($before)->toEndWith("/elsewhere/{$id}");
});
