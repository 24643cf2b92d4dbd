<?php

namespace Tests\Feature\Screening;

use App\Models\Decision;
use App\Models\Item;
use App\Queries\Report\FlowQuery;
use App\Queries\Screening\AnswerCounts;
use App\Queries\Shared\Tallies;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\World;
use WaryHeron\Core\Screening\ItemState;

function screening(): World
{
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One'], ['TI' => 'Two'], ['TI' => 'Three']]);

    return $world;
}

function decisionUrl(World $world, int $item = 0): string
{
    return "/reviews/{$world->review->id}/screening/items/{$world->item($item)->id}/decision";
}

it('opens an item when both decisions are in', function () {
    $world = screening();
    $this->actingAs($world->people['anna'])
        ->postJson(decisionUrl($world), ['verdict' => 'include', 'seen' => ''])
        ->assertOk()
        ->assertJsonPath('item.mine.verdict', 'include')
        ->assertJsonPath('item.open', false);
    $this->getJson("/reviews/{$world->review->id}/screening/desk/ahead")->assertJsonPath('counts', [
        'done' => 1,
        'left' => 2,
    ]);
    expect($world->item()->state)->toBe(ItemState::Waiting);
    $this->actingAs($world->people['ben'])
        ->postJson(decisionUrl($world), ['verdict' => 'include'])
        ->assertOk()
        ->assertJsonPath('item.open', true);
    expect($world->item()->state)->toBe(ItemState::Included);
    $this->actingAs($world->people['lead'])
        ->postJson(decisionUrl($world), [
            'verdict' => 'exclude',
            'criterion' => $world->review->criteria()->first()->id,
        ])
        ->assertStatus(409)
        ->assertJsonPath('message', fn (string $m): bool => str_contains($m, 'has opened'));
});

it('wants a reason for an exclusion, from this review’s criteria', function () {
    $world = screening();
    $this->actingAs($world->people['anna']);
    $this->postJson(decisionUrl($world), ['verdict' => 'exclude'])
        ->assertUnprocessable()
        ->assertJsonValidationErrors('criterion');
    $this->postJson(decisionUrl($world), ['verdict' => 'exclude', 'criterion' => 'elsewhere'])->assertUnprocessable();
    $this->postJson(decisionUrl($world), ['verdict' => 'perhaps'])->assertUnprocessable();
    $this->postJson(decisionUrl($world), [
        'verdict' => 'exclude',
        'criterion' => $world->review->criteria()->get()[1]->id,
    ])->assertOk();
    expect(Decision::query()->sole()->criterion->reason)->toBe('No light');
});

it('takes a double click, a repeated request and a stale page for what they are', function () {
    $world = screening();
    $this->actingAs($world->people['anna']);
    $send = fn (array $more) => $this->postJson(decisionUrl($world), ['verdict' => 'include', ...$more]);
    $send(['key' => 'k1', 'seen' => ''])->assertOk();
    $send(['key' => 'k1', 'seen' => ''])->assertOk();
    expect(Decision::query()->count())->toBe(1);
    $send(['key' => 'k2', 'seen' => '', 'verdict' => 'unsure'])
        ->assertStatus(409)
        ->assertJsonPath('message', fn (string $m): bool => str_contains($m, 'another window'));
    $send(['key' => 'k3', 'seen' => Decision::query()->sole()->id, 'verdict' => 'unsure'])->assertOk();
    expect(Decision::query()->whereNull('superseded_at')->sole()->verdict->value)
        ->toBe('unsure')
        ->and(Decision::query()->count())
        ->toBe(2);
});

it('undoes until the item opens', function () {
    $world = screening();
    $this->actingAs($world->people['anna'])->deleteJson(decisionUrl($world))->assertStatus(409);
    $this->postJson(decisionUrl($world), ['verdict' => 'include'])->assertOk();
    $this->deleteJson(decisionUrl($world))->assertOk()->assertJsonPath('item.mine.verdict', null);
    $this->postJson(decisionUrl($world), ['verdict' => 'unsure', 'seen' => ''])->assertOk();
    $world->decide('ben', $world->item(), 'include');
    $this->deleteJson(decisionUrl($world))->assertStatus(409);
    expect(Decision::query()->count())->toBe(4);
});

it('keeps decisions append-only and one of them current, in the database itself', function () {
    $world = screening();
    $world->decide('anna', $world->item(), 'include');
    $row = (array) DB::table('decisions')->sole();
    foreach (
        [
            fn () => DB::table('decisions')->update(['verdict' => 'exclude']),
            fn () => DB::table('decisions')->delete(),
            fn () => DB::table('decisions')->insert([
                ...$row,
                'id' => strtolower((string) Str::ulid()),
                'verdict' => 'exclude',
                'client_key' => null,
            ]),
        ] as $try
    ) {
        expect(fn () => DB::transaction($try))->toThrow(QueryException::class);
    }
});

it('never shows a blinded decision to anybody else, by any route', function () {
    $world = screening();
    $secret = 'quokka-note';
    $world->decide('anna', $world->item(0), 'exclude', $secret); // blinded: only Anna has decided
    $world->decide('anna', $world->item(1), 'include', 'wombat-note');
    $world->decide('ben', $world->item(1), 'unsure'); // open
    $id = Decision::query()->where('note', $secret)->sole()->id;
    $review = "/reviews/{$world->review->id}";
    $item = $world->item(0);
    $paths = [
        'screening/agreement',
        'screening',
        'screening/desk',
        "screening/desk/{$item->id}",
        'screening/desk/ahead',
        "screening/items/{$item->id}",
        'screening/disagreements',
        'records',
        'records?state=waiting',
        'records?q=one',
        'log',
        'report',
        'coding',
        "publications/{$item->publication_id}",
        'exports/included/ris',
        'exports/included/csv',
        'exports/coding.csv',
        'exports/decisions.csv',
        'find?q=one',
        'records?q=note%3Aquokka',
        'records?q=decision%3Aexclude',
        'screening/stages',
        'screening/share-outs',
        'screening/desk?layout=list',
        'report/flow.csv',
        'notices',
        "records?judged={$world->people['anna']->id}:exclude",
        'screening/order',
        'screening/marked-words',
        "screening/items/{$item->id}/why",
        'full-texts',
        'full-texts/unassigned',
        'full-texts/studies',
        "screening/desk?stage={$world->review->firstStage()->id}",
    ];
    foreach (['ben', 'lead', 'observer', 'coder', 'specialist'] as $who) {
        $this->actingAs($world->people[$who]);
        foreach ($paths as $path) {
            $response = $this->get("{$review}/{$path}");
            $body = match (true) {
                $response->baseResponse instanceof \Symfony\Component\HttpFoundation\StreamedResponse => $response->streamedContent(),
                $response->baseResponse instanceof \Symfony\Component\HttpFoundation\BinaryFileResponse => (string) file_get_contents($response->baseResponse->getFile()->getPathname()),
                default => $response->getContent(),
            };
            expect($body)->not->toContain($secret)->not->toContain($id);
        }
        $this->get("{$review}/screening/disagreements/{$item->id}")->assertStatus(
            in_array($who, ['ben', 'lead', 'observer', 'coder', 'specialist'], true) ? 404 : 200,
        );
        expect($this->get("{$review}/log")->getContent())
            ->not->toContain('Decided on “One”')
            ->toContain('Decided on “Two”');
        // whether the other has decided is not to be seen either
        $seen = $this->get("{$review}/publications/{$item->publication_id}")->getContent();
        expect($seen)->not->toContain('Anna Kolbe');
    }
    $this->actingAs($world->people['anna'])
        ->get("{$review}/log")
        ->assertSee('Decided on “One”', false);
    $this->get("{$review}/publications/{$item->publication_id}")->assertSee($secret);
    $this->actingAs($world->people['observer'])
        ->get("{$review}/screening/disagreements/{$world->item(1)->id}")
        ->assertOk()
        ->assertSee('wombat-note');
});

it('opens Talk with the item and not before', function () {
    $world = screening();
    $talk = "/reviews/{$world->review->id}/screening/disagreements/{$world->item()->id}/talk";
    $this->actingAs($world->people['anna'])
        ->post($talk, ['body' => 'I would include'])
        ->assertSessionHas('problem');
    $world->decide('anna', $world->item(), 'include');
    $world->decide('ben', $world->item(), 'exclude');
    $this->post($talk, ['body' => 'Look at <b>page 2</b>'])->assertRedirect();
    $this->actingAs($world->people['ben'])
        ->get("/reviews/{$world->review->id}/screening/disagreements/{$world->item()->id}")
        ->assertSee('Look at <b>page 2</b>')
        ->assertSee('Anna Kolbe')
        ->assertSee('Not staff');
    $this->actingAs($world->people['observer'])
        ->post($talk, ['body' => 'x'])
        ->assertForbidden();
});

it('is settled by agreement or by the lead', function () {
    $world = screening();
    foreach ([0, 1] as $i) {
        $world->decide('anna', $world->item($i), 'include');
        $world->decide('ben', $world->item($i), 'exclude');
    }
    $at = fn (int $i): string => "/reviews/{$world->review->id}/screening/disagreements/{$world->item($i)->id}";
    $criterion = $world->review->criteria()->first()->id;
    $this->actingAs($world->people['anna'])->post($at(0).'/proposal', [
        'verdict' => 'exclude',
        'criterion' => $criterion,
    ]);
    expect($world->item(0)->state)->toBe(ItemState::Disagreement);
    $this->actingAs($world->people['ben'])->post($at(0).'/proposal', ['verdict' => 'include']);
    expect($world->item(0)->state)->toBe(ItemState::Disagreement);
    $this->post($at(0).'/proposal', ['verdict' => 'exclude', 'criterion' => $criterion]);
    expect($world->item(0)->only('state', 'settled', 'criterion_id'))->toEqual([
        'state' => ItemState::Excluded,
        'settled' => true,
        'criterion_id' => $criterion,
    ]);

    $this->post($at(1).'/settlement', ['verdict' => 'include'])->assertSessionHas(
        'problem',
        'At this stage the review lead settles what those who decided cannot agree on.',
    );
    $this->actingAs($world->people['lead'])
        ->post($at(1).'/proposal', ['verdict' => 'include'])
        ->assertSessionHas('problem');
    $this->post($at(1).'/settlement', ['verdict' => 'unsure'])->assertSessionHas('problem');
    $this->post($at(1).'/settlement', ['verdict' => 'include', 'note' => 'To be read'])->assertSessionHas('notice');
    expect($world->item(1)->state)->toBe(ItemState::Included);
    $this->post($at(1).'/settlement', ['verdict' => 'exclude', 'criterion' => $criterion]);
    expect($world->item(1)->state)
        ->toBe(ItemState::Excluded)
        ->and(DB::table('settlements')->where('item_id', $world->item(1)->id)->count())
        ->toBe(2);
    $this->post("/reviews/{$world->review->id}/screening/disagreements/{$world->item(2)->id}/settlement", [
        'verdict' => 'include',
    ])->assertSessionHas('problem');
});

it('keeps tallies equal to a count, and a flow that adds up', function () {
    $world = screening();
    $world->decide('anna', $world->item(0), 'include');
    $world->decide('ben', $world->item(0), 'exclude');
    $world->decide('anna', $world->item(1), 'exclude');
    $world->decide('ben', $world->item(1), 'exclude');
    $counted = Item::query()
        ->where('review_id', $world->review->id)
        ->selectRaw('state, count(*) as n')
        ->groupBy('state')
        ->pluck('n', 'state');
    foreach (ItemState::cases() as $state) {
        expect(Tallies::of($world->review)->in($state))->toBe((int) ($counted[$state->value] ?? 0));
    }
    expect(FlowQuery::of($world->review)->contradictions())->toBe([]);
    $this->actingAs($world->people['observer'])
        ->get("/reviews/{$world->review->id}/report")
        ->assertOk()
        ->assertDontSee('do not add up')
        ->assertSee('Not staff');
});

it('measures agreement on what has opened only', function () {
    $world = screening();
    $this->actingAs($world->people['observer']);
    $page = "/reviews/{$world->review->id}/screening/agreement";
    $world->decide('anna', $world->item(0), 'include');
    $this->get($page)->assertOk()->assertSee('Nothing to compare yet');
    $world->decide('ben', $world->item(0), 'include');
    $world->decide('anna', $world->item(1), 'include');
    $world->decide('ben', $world->item(1), 'exclude');
    $this->get($page)->assertOk()->assertSee('Anna Kolbe and Ben Strand')->assertSee('50.0 %');
});

/** Anna and Ben disagree on every item. */
function disagreeing(int $items = 3): World
{
    $world = (new World())->withCriteria();
    $world->deliver(array_map(fn (int $i): array => ['TI' => "Lamp {$i}"], range(1, $items)));
    for ($i = 0; $i < $items; $i++) {
        $world->decide('anna', $world->item($i), $i === 1 ? 'unsure' : 'include');
        $world->decide('ben', $world->item($i), 'exclude', "ben on {$i}");
    }

    return $world;
}

it('lists disagreements by kind and pair, and settles many at once by agreement, each in the Log', function () {
    $world = disagreeing();
    $url = "/reviews/{$world->review->id}/screening/disagreements";
    $criterion = $world->review->criteria()->first()->id;
    $ids = $world->review->items()->orderBy('position')->pluck('id')->all();
    $this->actingAs($world->people['anna'])
        ->get($url)
        ->assertSeeText('2 include or exclude')
        ->assertSeeText('1 somebody is unsure')
        ->assertSeeText('Anna Kolbe and Ben Strand');
    $this->get("{$url}?kind=unsure")
        ->assertSee('Lamp 2')
        ->assertDontSee('Choose Lamp 1');
    $this->post($url, ['do' => 'propose', 'verdict' => 'exclude'])->assertSessionHasErrors(['ids', 'criterion']);
    $this->post($url, [
        'do' => 'propose',
        'ids' => $ids,
        'verdict' => 'exclude',
        'criterion' => $criterion,
    ])->assertSessionHas('notice', '3 proposed to the other side');
    $this->post($url, ['do' => 'settle', 'ids' => $ids, 'verdict' => 'include'])->assertSessionHas(
        'notice',
        fn (string $n): bool => str_contains($n, '3 left as they are'),
    );
    $this->actingAs($world->people['ben'])->get($url)->assertSee('Agree to all 3');
    $this->post($url, ['do' => 'agree'])->assertSessionHas('notice', '3 settled');
    expect($world->review->items()->where('state', 'excluded')->where('settled', true)->count())
        ->toBe(3)
        ->and(\App\Models\LogEntry::query()->where('action', 'item.settled')->count())
        ->toBe(3);
    $this->actingAs($world->people['observer'])
        ->post($url, ['do' => 'agree'])
        ->assertForbidden();
});

it('lets a person change their mind in the discussion and keeps what they said before', function () {
    $world = disagreeing(1);
    $rethink = fn (string $who, array $with) => $this->actingAs($world->people[$who])->post(
        "/reviews/{$world->review->id}/screening/disagreements/{$world->item()->id}/rethink",
        $with,
    );
    $rethink('lead', ['verdict' => 'include'])->assertSessionHas('problem', 'You did not decide on this item.');
    $rethink('ben', ['verdict' => 'exclude'])->assertSessionHasErrors('criterion');
    $rethink('ben', ['verdict' => 'include', 'note' => 'Page 2 says so'])->assertSessionHas('notice');
    expect($world->item()->state)
        ->toBe(ItemState::Included)
        ->and(Decision::query()->count())
        ->toBe(3);
    $rethink('anna', ['verdict' => 'unsure'])->assertSessionHas('problem');
    // agreement is of what was said before the item opened
    $tables = \App\Queries\Screening\Agreed\Agreement::of($world->review->firstStage())->tables;
    expect(array_sum(array_merge(...array_values($tables)[0])))
        ->toBe(1)
        ->and(array_values($tables)[0][0][0])
        ->toBe(0);
});

it('leaves it to the one whom the stage names to settle, with names or without', function () {
    $world = disagreeing(2);
    $stage = $world->review->firstStage();
    $set = fn (array $rules) => app(\App\Actions\Screening\ChangeStage::class)->change(
        $world->people['lead'],
        $stage,
        $rules,
    );
    $at = fn (int $i): string => "/reviews/{$world->review->id}/screening/disagreements/{$world->item($i)->id}";
    $third = \App\Models\User::query()->create([
        'name' => 'Cora Third',
        'email' => 'third@heron.example',
        'password' => 'a long password',
    ]);
    $world->review->memberships()->create(['user_id' => $third->id, 'role' => \App\Access\Role::Reviewer]);
    $this->actingAs($third)
        ->post($at(0).'/settlement', ['verdict' => 'include'])
        ->assertSessionHas('problem');
    $set(['settled_by' => \WaryHeron\Core\Screening\Settler::Third]);
    $this->actingAs($world->people['anna'])
        ->post($at(0).'/settlement', ['verdict' => 'include'])
        ->assertSessionHas('problem', fn (string $p): bool => str_contains($p, 'third person'));
    $this->actingAs($third)
        ->post($at(0).'/settlement', ['verdict' => 'include'])
        ->assertSessionHas('notice');
    expect($world->item(0)->state)->toBe(ItemState::Included);
    $set(['settled_by' => \WaryHeron\Core\Screening\Settler::Adjudicator, 'names_hidden' => true]);
    $this->actingAs($world->people['anna'])
        ->post($at(1).'/proposal', ['verdict' => 'include'])
        ->assertSessionHas('problem');
    $this->actingAs($world->people['lead'])
        ->get($at(1))
        ->assertSee('ben on 1')
        ->assertSee('Reviewer 1')
        ->assertDontSee('Ben Strand')
        ->assertDontSee('Anna Kolbe');
    // nor anywhere else, as long as it is not settled
    $page = "/reviews/{$world->review->id}/publications/{$world->item(1)->publication_id}";
    $this->get($page)
        ->assertSee('A reviewer')
        ->assertSee('ben on 1')
        ->assertDontSee('Ben Strand')
        ->assertDontSee('Anna Kolbe');
    $csv = (string) file_get_contents(
        $this->get("/reviews/{$world->review->id}/exports/decisions.csv")
            ->baseResponse->getFile()
            ->getPathname(),
    );
    expect(substr_count($csv, 'A reviewer'))->toBe(2);
    $log = $this->get("/reviews/{$world->review->id}/log")->markup();
    expect(preg_match_all('~<td>A reviewer</td> <td>Decided on~', $log))->toBe(2);
    $this->actingAs($world->people['anna'])
        ->postJson("/reviews/{$world->review->id}/screening/items/{$world->item(1)->id}/talk", [
            'body' => 'Whose wards?',
        ])
        ->assertJsonPath('talk.0.by', 'Anna Kolbe');
    $this->actingAs($world->people['lead'])
        ->getJson("/reviews/{$world->review->id}/screening/items/{$world->item(1)->id}")
        ->assertJsonPath('item.talk.0.by', 'A reviewer');
    $this->actingAs($world->people['anna'])->get($at(1))->assertSee('Ben Strand');
    $this->get($page)->assertSee('Ben Strand');
});

it('counts answers to the criteria and opens what is behind them, for those who may see them', function () {
    $world = screening();
    [$staff, $light] = $world->review->criteria()->pluck('id')->all();
    $send = fn (string $who, int $item, array $with) => $this->actingAs($world->people[$who])->postJson(
        decisionUrl($world, $item),
        $with,
    );
    $send('anna', 0, [
        'verdict' => 'exclude',
        'criterion' => $staff,
        'answers' => [$staff => 'no', $light => 'no'],
    ])->assertOk();
    $send('ben', 0, ['verdict' => 'include', 'answers' => [$staff => 'yes', $light => 'no']])->assertOk();
    $send('anna', 1, ['verdict' => 'include', 'answers' => [$staff => 'yes', $light => 'unclear']])->assertOk();
    $send('anna', 2, ['verdict' => 'include', 'answers' => ['elsewhere' => 'yes']])->assertUnprocessable();
    $send('anna', 2, ['verdict' => 'include', 'answers' => [$staff => 'perhaps']])->assertUnprocessable();
    $counts = fn (string $who): array => \App\Queries\Screening\CriterionCounts::of(
        $world->review->firstStage(),
        $world->people[$who],
    );
    expect($counts('anna')[$light])
        ->toEqual(new AnswerCounts(0, 1, 1))
        ->and($counts('ben')[$light])
        ->toEqual(new AnswerCounts(0, 1, 0))
        ->and($counts('observer')[$staff])
        ->toEqual(new AnswerCounts(1, 1, 0));
    $titles = fn (string $who, string $query): string => $this->actingAs($world->people[$who])
        ->get("/reviews/{$world->review->id}/records?{$query}")
        ->assertOk()
        ->getContent();
    expect($titles('observer', "answer={$light}:no"))
        ->toContain('>One</a>')
        ->not->toContain('>Two</a>')
        ->and($titles('ben', "answer={$light}:unclear"))
        ->not->toContain('>Two</a>')
        ->and($titles('anna', "answer={$light}:unclear"))
        ->toContain('>Two</a>');
    // agreement on one criterion, and the items behind each cell
    $agreement = $this->get("/reviews/{$world->review->id}/screening/agreement?criterion={$light}")
        ->assertOk()
        ->assertSeeText('100.0 %');
    $cell = "judged={$world->people['anna']->id}:exclude,{$world->people['ben']->id}:include";
    expect($titles('observer', $cell))
        ->toContain('judged exclude by Anna Kolbe')
        ->toContain('>One</a>')
        ->not->toContain('>Two</a>');
    expect($titles('ben', "judged={$world->people['anna']->id}:include"))->not->toContain('>Two</a>');
});

it('hands out every decision that one may see, and none besides', function () {
    $world = disagreeing(2);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/disagreements/{$world->item(0)->id}/settlement",
        ['verdict' => 'include', 'note' => '=SUM(A1)'],
    );
    $world->deliver([['TI' => 'Blinded one']], 'Elsewhere');
    $world->decide('anna', $world->item(2), 'include', 'quokka');
    $rows = function (string $who) use ($world): array {
        $lines = file(
            $this->actingAs($world->people[$who])
                ->get("/reviews/{$world->review->id}/exports/decisions.csv")
                ->assertOk()
                ->baseResponse->getFile()
                ->getPathname(),
        );

        return array_map(fn (string $line): array => str_getcsv(trim($line), ',', '"', ''), $lines);
    };
    $seen = $rows('ben');
    expect($seen)
        ->toHaveCount(5)
        ->and(array_column($seen, 5))
        ->toBe(['verdict', 'include', 'exclude', 'unsure', 'exclude'])
        ->and($seen[1][10])
        ->toBe('include')
        ->and($seen[1][14])
        ->toBe("'=SUM(A1)")
        ->and($seen[2][6])
        ->toBe('Not staff');
    expect($rows('anna'))->toHaveCount(6)->and(json_encode($rows('observer')))->not->toContain('quokka');
    $this->get("/reviews/{$world->review->id}/exports/decisions.xlsx")->assertOk();
    $this->get("/reviews/{$world->review->id}/screening")
        ->assertSeeText('Who is how far')
        ->assertSeeText('of these in disagreement at first');
});

it('lists my last decisions by verdict, and nothing of anybody else', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One'], ['TI' => 'Two'], ['TI' => 'Three']]);
    $world->decide('anna', $world->item(0), 'include');
    $world->decide('anna', $world->item(1), 'exclude');
    $world->decide('ben', $world->item(2), 'include');
    $page = fn (string $who, string $verdict = ''): string => (string) $this->actingAs($world->people[$who])
        ->get("/reviews/{$world->review->id}/screening/mine?verdict={$verdict}")
        ->assertOk()
        ->getContent();
    expect($page('anna'))->toContain('>One</a>')->toContain('>Two</a>')->not->toContain('>Three</a>');
    expect($page('anna', 'exclude'))
        ->toContain('>Two</a>')
        ->not->toContain('>One</a>')
        ->and($page('ben', 'exclude'))
        ->toContain('None of yours is so');
    $this->actingAs($world->people['observer'])
        ->get("/reviews/{$world->review->id}/screening/mine")
        ->assertForbidden();
});

it('keeps what criteria said before, and sends what rests on it round again without losing anything', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One'], ['TI' => 'Two'], ['TI' => 'Three']]);
    $criterion = $world->review->criteria()->first();
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(0), 'exclude');
        $world->decide($who, $world->item(1), 'include');
    }
    $world->decide('anna', $world->item(2), 'exclude');
    $url = "/reviews/{$world->review->id}/criteria/{$criterion->id}";
    $this->actingAs($world->people['lead'])->put($url, [
        'question' => $criterion->question,
        'reason' => $criterion->reason,
    ]);
    expect($criterion->refresh()->version)->toBe(1);
    $this->put($url, ['question' => 'Is it really so?', 'reason' => 'Not so']);
    expect($criterion->refresh()->version)
        ->toBe(2)
        ->and(DB::table('criterion_wordings')->count())
        ->toBe(1);
    $html = (string) $this->get("/reviews/{$world->review->id}/question")
        ->assertSee('decisions rest')
        ->getContent();
    expect($html)->toContain('<strong>3</strong>')->toContain('Version 2, since');
    $this->get("{$url}/older")
        ->assertSee('One')
        ->assertSee('Three')
        ->assertDontSee('>Two</a>', false);
    $this->actingAs($world->people['anna'])
        ->post("{$url}/again")
        ->assertForbidden();
    $before = DB::table('decisions')->count();
    $this->actingAs($world->people['lead'])
        ->post("{$url}/again")
        ->assertSessionHas('notice');
    expect($world->item(0)->state->value)
        ->toBe('waiting')
        ->and($world->item(1)->state->value)
        ->toBe('included')
        ->and($world->item(2)->state->value)
        ->toBe('waiting');
    expect(DB::table('decisions')->count())
        ->toBe($before + 3)
        ->and(DB::table('decisions')->whereNotNull('verdict')->count())
        ->toBe($before);
    expect($world->people['anna']->notifications()->count())->toBe(1);
    // they are asked again, and what they say now counts
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(0), 'include');
    }
    expect($world->item(0)->state->value)->toBe('included');
    $this->get("/reviews/{$world->review->id}/question")->assertDontSee('on the older wording');
    $this->post("{$url}/again")->assertSessionHas('notice', 'No decision rests on an older wording any more.');
});

it('lets stand what was decided by an older wording, where the lead says so', function () {
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'One']]);
    $criterion = $world->review->criteria()->first();
    $world->decide('anna', $world->item(0), 'exclude');
    $url = "/reviews/{$world->review->id}/criteria/{$criterion->id}";
    $this->actingAs($world->people['lead'])->put($url, ['question' => 'Is it really so?', 'reason' => 'Not so']);
    $this->put($url, ['do' => 'leave']);
    $this->get("/reviews/{$world->review->id}/question")->assertDontSee('on the older wording');
    $this->put($url, ['question' => 'Is it so after all?', 'reason' => 'Not so']);
    $this->get("/reviews/{$world->review->id}/question")->assertSee('on the older wording');
});
