<?php

namespace Tests\Feature\Report;

use App\Models\LogEntry;
use App\Queries\Report\LogFilters;
use App\Queries\Shared\Asked;
use Tests\Feature\World;

it('narrows the Log down by who, about what, words and days, and keeps that from page to page', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One'], ['TI' => 'Two'], ['TI' => 'Three']]);
    $world->decide('anna', $world->item(), 'include');
    $world->decide('ben', $world->item(), 'include');
    $world->decide('ben', $world->item(1), 'exclude');
    $review = "/reviews/{$world->review->id}";
    $see = fn (string $query) => $this->actingAs($world->people['lead'])
        ->get("{$review}/log?{$query}")
        ->assertOk();
    $see("who={$world->people['anna']->id}")
        ->assertSee('“One”')
        ->assertDontSee('Started the review');
    // what has not opened is not there, by whatever filter
    $see("who={$world->people['ben']->id}")
        ->assertSee('“One”')
        ->assertDontSee('“Two”');
    $see('about=Question+and+team')->assertSee('Started the review')->assertDontSee('“One”');
    $see('about=Records')->assertSee('Tern Abstracts')->assertDontSee('Started the review');
    $see('words=STARTED+review')->assertSee('Started the review')->assertDontSee('Tern Abstracts');
    $see('words=100%25')->assertSee('Nothing in the Log is like this');
    $see('from='.now()->addDay()->format('Y-m-d'))->assertSee('Nothing in the Log is like this');
    $see('to='.now()->format('Y-m-d'))->assertSee('Started the review');
    $see('from=2026-02-31&to=soon&about=nothing&who=x')->assertSee('Nothing in the Log is like this');

    foreach (range(1, 70) as $i) {
        $this->post("{$review}/criteria", ['question' => "Asked {$i}?", 'reason' => "Reason {$i}"]);
    }
    $first = $see('about=Question+and+team')->assertSee('Asked 70?')->assertDontSee('Asked 5?');
    preg_match('/href="([^"]+cursor=[^"]+)"/', $first->getContent(), $older);
    $this->get(html_entity_decode($older[1]))->assertOk()->assertSee('Asked 5?')->assertDontSee('Tern Abstracts');
});

it('exports what is shown, and no more than one may see', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => '=One'], ['TI' => 'Two']]);
    $world->decide('ben', $world->item(1), 'exclude');
    $path = "/reviews/{$world->review->id}/log/export.csv";
    $csv = fn (string $query = ''): string => (string) file_get_contents(
        $this->get($path.$query)
            ->assertOk()
            ->baseResponse->getFile()
            ->getPathname(),
    );
    $this->actingAs($world->people['lead']);
    expect(substr_count($csv(), "\n"))
        ->toBe(1 + LogEntry::query()->whereNull('blinded_item_id')->count())
        ->and($csv())
        ->not->toContain('Two');
    expect($csv('?about=Records'))->toContain('delivery.done')->not->toContain('review.created');
    $this->actingAs($world->people['ben']);
    expect($csv())->toContain('Two');
    $this->actingAs($world->people['outsider'])->get($path)->assertNotFound();
});

it('has a place for every kind of entry', function () {
    $kinds = [];
    foreach ([...glob(app_path('Actions/*/*.php')), ...glob(app_path('Jobs/*/*.php'))] as $file) {
        $written = '/\$this->log(?:\)|->each)\([^\'"]*[\'"]([a-z-]+)\./';
        preg_match_all($written, (string) file_get_contents($file), $found);
        array_push($kinds, ...$found[1]);
    }
    expect(count($kinds))
        ->toBeGreaterThan(50)
        ->and(array_values(array_diff($kinds, array_merge(...array_values(LogFilters::AREAS)), ['task'])))
        ->toBe([]);
});

it('counts entries by day, person and what they are about, and tells no hidden name by it', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One'], ['TI' => 'Two']]);
    $world->review->firstStage()->update(['names_hidden' => true]);
    $world->decide('anna', $world->item(), 'include');
    $world->decide('ben', $world->item(), 'exclude');
    $groups = function (string $by, string $more = '') use ($world): array {
        parse_str("by={$by}{$more}", $asked);

        return array_column(
            LogFilters::of($world->review->fresh(), $world->people['lead'], new Asked($asked))->groups(),
            'n',
            'label',
        );
    };
    $all = fn (string $by): int => array_sum($groups($by));
    expect($all('day'))->toBe($all('about'))->toBe($all('who'))->toBeGreaterThan(5)->and($groups(''))->toBe([]);
    // both decisions are on an item in disagreement, which the lead settles without knowing whose they are
    expect($groups('who'))
        ->not->toHaveKey('Anna Kolbe')
        ->toHaveKey('names hidden from you for now', 2)
        ->toHaveKey('Ines Okafor');
    expect($groups('about'))
        ->toHaveKey('Screening')
        ->toHaveKey('Records')
        ->and(array_keys($groups('day')))
        ->toBe([now()->format('l, j F Y')]);
    $this->actingAs($world->people['lead'])
        ->get("/reviews/{$world->review->id}/log?by=about")
        ->assertOk()
        ->assertSee('about=Records');
});
