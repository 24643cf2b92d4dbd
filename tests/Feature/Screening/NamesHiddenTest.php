<?php

namespace Tests\Feature\Screening;

use App\Actions\Screening\PostToTalk;
use App\Actions\Screening\SettleItem;
use App\Models\Criterion;
use App\Models\Item;
use App\Models\LogEntry;
use Illuminate\Routing\Route as RoutingRoute;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Tests\Feature\World;
use Tests\TestCase;
use WaryHeron\Core\Screening\Verdict;

/** One says include, proposes so and writes why; the other says exclude. Who is who is all that differs. */
function theySay(World $world, string $includes, string $excludes): void
{
    $item = fn (int $i): Item => $world->review->items()->orderBy('position')->get()[$i];
    foreach ([0, 1] as $i) {
        $world->decide($includes, $item($i), 'include', 'Light is measured');
        $world->decide($excludes, $item($i), 'exclude', 'No staff');
        app(SettleItem::class)->propose(
            $world->people[$includes],
            $item($i)->fresh(),
            Verdict::Include,
            null,
            'As I said',
        );
        app(PostToTalk::class)->execute($world->people[$includes], $item($i)->fresh(), 'See the second table, @Ines');
        app(PostToTalk::class)->execute($world->people[$excludes], $item($i)->fresh(), 'Those are patients');
    }
}

/** @return array<string, string> pages by address, what must differ (tokens, identifiers made anew, times) taken out */
function walked(\Closure $get, World $world, array $ids): array
{
    $known = DB::table('items')
        ->pluck('id')
        ->merge(DB::table('publications')->pluck('id'))
        ->merge(DB::table('users')->pluck('id'))
        ->push($world->review->id)
        ->flip();
    $pages = [];
    foreach (Route::getRoutes() as $route) {
        /** @var RoutingRoute $route */
        if (
            ! in_array('GET', $route->methods(), true) ||
            ! (
                str_starts_with($route->uri(), 'reviews/{review}') ||
                in_array($route->uri(), ['/', 'notices', 'post-room'], true)
            ) ||
            str_contains($route->uri(), 'report/flow')
        ) {
            continue;
        }
        $paths = [
            '/'.preg_replace_callback('/\{(\w+)\??\}/', fn (array $m): string => $ids[$m[1]] ?? 'none', $route->uri()),
        ];
        if ($route->getName() === 'library') {
            foreach (['anna', 'ben'] as $who) {
                foreach (Verdict::cases() as $verdict) {
                    $paths[] = "{$paths[0]}?state=disagreement&judged={$world->people[$who]->id}:{$verdict->value}";
                }
            }
            array_push($paths, "{$paths[0]}?q=note:light", "{$paths[0]}?q=decision:include");
        }
        if (in_array($route->getName(), ['log', 'log.export'], true)) {
            foreach (['anna', 'ben'] as $who) {
                $paths[] = "{$paths[0]}?who={$world->people[$who]->id}";
            }
        }
        foreach ($paths as $path) {
            $response = $get($path);
            $file =
                $response->baseResponse instanceof \Symfony\Component\HttpFoundation\BinaryFileResponse
                    ? (string) file_get_contents($response->baseResponse->getFile()->getPathname())
                    : null;
            $text = str_ends_with($path, 'xlsx')
                ? ''
                : (string) ($file ??
                    ($response->baseResponse instanceof \Symfony\Component\HttpFoundation\StreamedResponse
                        ? $response->streamedContent()
                        : $response->getContent()));
            $text = (string) preg_replace_callback(
                '/\b[0-9a-hjkmnp-tv-z]{26}\b/',
                fn (array $m): string => isset($known[$m[0]]) ? $m[0] : 'ID',
                $text,
            );
            $pages[$path] = (string) preg_replace(
                [
                    '/(name="_token" value|name="csrf-token" content)="[^"]*"/',
                    '/name="seed"[^>]*/',
                    '/\d\d:\d\d(:\d\d(\.\d+)?)?/',
                    '/[0-9a-f]{8}-[0-9a-f-]{27}/',
                    // how long a page took is no news of anybody
                    '/"pause":\d+/',
                ],
                ['', '', '', 'UUID', ''],
                $text,
            );
        }
    }

    return $pages;
}

/**
 * All pages as the lead sees them where one person includes and another excludes, and where it is the other way round.
 *
 * @param  array<string, string>  $ids
 * @return array{array<string, string>, list<string>} the pages of the first by address, and the addresses that differ
 */
function inTwoWorlds(TestCase $test, World $world, array $ids): array
{
    $pages = [];
    foreach ([['anna', 'ben'], ['ben', 'anna']] as $i => [$includes, $excludes]) {
        DB::beginTransaction();
        theySay($world, $includes, $excludes);
        $pages[$i] = walked(fn (string $path) => $test->actingAs($world->people['lead'])->get($path), $world, $ids);
        auth()->forgetGuards();
        DB::rollBack();
    }

    return [
        $pages[0],
        array_keys(
            array_filter(
                $pages[0],
                fn (string $page, string $path): bool => $page !== $pages[1][$path],
                ARRAY_FILTER_USE_BOTH,
            ),
        ),
    ];
}

it('tells whoever settles without names nothing about who said what, on no page', function () {
    $world = (new World())->withCriteria();
    $world->review->firstStage()->update(['names_hidden' => true]);
    $world->review->unsetRelation('stages');
    $delivery = $world->deliver([['TI' => 'One'], ['TI' => 'Two'], ['TI' => 'Three']]);
    $ids = [
        'review' => $world->review->id,
        'delivery' => $delivery->id,
        'publication' => $world->publication('One')->id,
        'item' => $world->item()->id,
        'stage' => $world->review->firstStage()->id,
        'format' => 'csv',
        'criterion' => Criterion::query()->value('id'),
    ];
    [$pages, $differ] = inTwoWorlds($this, $world, $ids);
    expect(count($pages))
        ->toBeGreaterThan(60)
        ->and($pages["/reviews/{$world->review->id}/screening/disagreements/{$world->item()->id}"])
        ->toContain('Light is measured')
        ->toContain('Those are patients');
    expect($differ)->toBe([]);
});

it('tells the same pages apart where names are shown', function () {
    $world = (new World())->withCriteria();
    $delivery = $world->deliver([['TI' => 'One'], ['TI' => 'Two'], ['TI' => 'Three']]);
    $ids = [
        'review' => $world->review->id,
        'delivery' => $delivery->id,
        'publication' => $world->publication('One')->id,
        'item' => $world->item()->id,
        'stage' => $world->review->firstStage()->id,
        'format' => 'csv',
    ];
    [, $differ] = inTwoWorlds($this, $world, $ids);
    $review = "/reviews/{$world->review->id}";
    expect($differ)->toContain(
        "{$review}/log",
        "{$review}/screening/agreement",
        "{$review}/screening/disagreements/{$world->item()->id}",
        "{$review}/exports/decisions.csv",
        "{$review}/records?state=disagreement&judged={$world->people['anna']->id}:include",
    );
});

it('takes names off proposals and Talk in the Log that do not name their item', function () {
    $world = (new World())->withCriteria();
    $world->review->firstStage()->update(['names_hidden' => true]);
    $world->review->unsetRelation('stages');
    $world->deliver([['TI' => 'One'], ['TI' => 'Two']]);
    theySay($world, 'anna', 'ben');
    DB::statement('RESET ROLE'); // as an older version of the application kept it
    DB::statement('ALTER TABLE log_entries DISABLE TRIGGER append_only');
    LogEntry::query()
        ->whereIn('action', ['settlement.proposed', 'talk.posted'])
        ->update(['blinded_item_id' => null]);
    DB::statement('ALTER TABLE log_entries ENABLE TRIGGER append_only');
    $page = $this->actingAs($world->people['lead'])
        ->get("/reviews/{$world->review->id}/log")
        ->assertOk()
        ->getContent();
    $entries = substr($page, strpos($page, '<table')); // beside the names of the team to choose from
    expect($entries)
        ->toContain('Proposed to include')
        ->toContain('Wrote in Talk')
        ->not->toContain('Anna Kolbe')
        ->not->toContain('Ben Strand');
    foreach (['anna', 'ben'] as $who) {
        $this->get("/reviews/{$world->review->id}/log?who={$world->people[$who]->id}")
            ->assertDontSee('Proposed to include')
            ->assertDontSee('Wrote in Talk');
    }
    expect($world->people['lead']->notifications()->pluck('data')->pluck('text')->all())->toContain(
        'A reviewer mentions you on “Two”',
        'A reviewer mentions you on “One”',
    );
    expect($world->people['ben']->notifications()->pluck('data')->pluck('text')->all())->toContain(
        'Anna Kolbe proposes how to settle “One”',
    );
});
