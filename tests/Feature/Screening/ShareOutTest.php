<?php

namespace Tests\Feature\Screening;

use App\Actions\FullTexts\SetRetrieval;
use App\Actions\Screening\ChangeStage;
use App\Actions\Screening\RecordDecision;
use App\Actions\Shared\Refused;
use App\Models\LogEntry;
use App\Models\ShareOut;
use App\Queries\Library\LibraryReferences;
use App\Queries\Screening\Desk;
use App\Queries\Screening\ScreenerCounts;
use App\Queries\Screening\Shares;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

function shared(int $items = 12): World
{
    $world = (new World())->withCriteria();
    $world->deliver(
        array_map(fn (int $i): array => ['TI' => 'Lamps of ward '.str_repeat(chr(96 + $i), 3)], range(1, $items)),
    );

    return $world;
}

it('shows what a share-out would be, and makes exactly that', function () {
    $world = shared();
    $url = "/reviews/{$world->review->id}/screening/share-outs";
    $this->actingAs($world->people['lead']);
    $this->get($url.'?'.http_build_query($world->terms(['anna', 'ben', 'lead'])))
        ->assertOk()
        ->assertSeeText('Anna Kolbe and Ben Strand')
        ->assertSeeText('Share out 12');
    expect(DB::table('assignments')->count())->toBe(0);
    $this->post($url, $world->terms(['anna', 'ben', 'lead'], ['expected' => 11]))->assertSessionHas(
        'problem',
        'The pool has changed since the preview: it holds 12 now, not 11. Look at the preview again.',
    );
    expect(DB::table('assignments')->count() + ShareOut::query()->count())->toBe(0);
    $this->post($url, $world->terms(['anna', 'ben', 'lead'], ['expected' => 12]))->assertSessionHas('notice');
    $stage = $world->review->fresh()->firstStage();
    expect(Shares::left($stage))
        ->toEqual([$world->people['anna']->id => 8, $world->people['ben']->id => 8, $world->people['lead']->id => 8])
        ->and($stage->work)
        ->toBe('shares')
        ->and(Shares::unshared($stage))
        ->toBe(0);
    expect(DB::table('assignments')->selectRaw('count(*) AS n')->groupBy('item_id')->pluck('n')->unique()->all())->toBe(
        [2],
    );
    $this->get($url)->assertSeeText('First half')->assertSeeText('seed 7');
    // drawn again from the same seed it is the same; nobody else may make one
    $this->actingAs($world->people['anna'])->post($url, $world->terms(['anna'], ['expected' => 0]))->assertForbidden();
    $this->actingAs($world->people['observer'])->get($url)->assertOk()->assertDontSee('New share-out');
});

it('says why it cannot be and offers what can', function () {
    $world = shared(10);
    $url = "/reviews/{$world->review->id}/screening/share-outs?";
    $this->actingAs($world->people['lead']);
    $quota = fn (?string $anna, ?string $ben): array => [
        $world->people['anna']->id => $anna,
        $world->people['ben']->id => $ben,
    ];
    $this->get(
        $url.http_build_query($world->terms(['anna', 'ben'], ['decisions' => '1', 'quota' => $quota('3', '3')])),
    )
        ->assertSeeText('add up to 6')
        ->assertSeeText('Anna Kolbe 5, Ben Strand 5');
    $this->get($url.http_build_query($world->terms(['anna'], [])))->assertSeeText('at least 2 different people');
    $this->get(
        $url.http_build_query($world->terms(['anna', 'ben'], ['q' => 'title:(ward AND', 'decisions' => '1'])),
    )->assertSee('Column');
    $this->get(
        $url.http_build_query($world->terms(['anna', 'ben'], ['q' => 'nothing', 'decisions' => '1'])),
    )->assertSeeText('the pool is empty');
    $this->get(
        $url.http_build_query($world->terms(['anna', 'ben'], ['percent' => '30', 'decisions' => '1'])),
    )->assertSeeText('10 in the pool → 3 drawn with the seed 7');
    $this->get(
        $url.
            http_build_query([
                'people' => [['x']],
                'seed' => ['a'],
                'quota' => 'x',
                'decisions' => '99',
                'mode' => 'nonsense',
            ]),
    )->assertOk();
});

it('lets each judge their share and nothing else', function () {
    $world = shared(6);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(
            ['anna', 'ben'],
            ['decisions' => '1', 'expected' => 6, 'quota' => [$world->people['anna']->id => '4']],
        ),
    );
    $stage = $world->review->fresh()->firstStage();
    $desk = new Desk($stage, $world->people['anna']);
    expect(count($desk->ahead(0, 50)))
        ->toBe(4)
        ->and($desk->counts())
        ->toBe(['left' => 4, 'done' => 0])
        ->and(array_column($desk->steps(), 'count'))
        ->toBe([4, 4]);
    $mine = array_column($desk->ahead(0, 50), 'id');
    foreach ($world->review->items()->get() as $item) {
        $try = fn () => $world->decide('anna', $item, 'include');
        in_array($item->id, $mine, true) ? $try() : expect($try)->toThrow(Refused::class, 'other people’s shares');
    }
    expect((new Desk($stage, $world->people['anna']))->ahead())
        ->toBe([])
        ->and((new Desk($stage, $world->people['lead']))->ahead())
        ->toBe([]);
    $this->actingAs($world->people['anna'])
        ->get("/reviews/{$world->review->id}/screening/desk")
        ->assertSee('in my shares');
});

it('hands on what somebody left undone, and keeps what they decided', function () {
    $world = shared(10);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(['anna', 'ben'], ['expected' => 10]),
    );
    $stage = $world->review->fresh()->firstStage();
    foreach ($world->review->items()->orderBy('position')->limit(3)->get() as $item) {
        $world->decide('anna', $item, 'include');
    }
    $handOn = fn (array $to) => $this->post("/reviews/{$world->review->id}/screening/stages/{$stage->id}/hand-on", [
        'from' => $world->people['anna']->id,
        'to' => array_map(fn (string $who): string => $world->people[$who]->id, $to),
    ]);
    // Ben has them all already
    $handOn(['ben'])->assertSessionHas('problem');
    $handOn(['observer'])->assertSessionHasErrors('to.0');
    expect(Shares::left($stage)[$world->people['anna']->id])->toBe(7);
    $handOn(['ben', 'lead'])->assertSessionHas('notice', '7 undone items have been handed on. What was decided stays.');
    expect(Shares::left($stage))
        ->toEqual([$world->people['ben']->id => 10, $world->people['lead']->id => 7])
        ->and(DB::table('decisions')->whereNull('superseded_at')->count())
        ->toBe(3);
    $this->post(
        "/reviews/{$world->review->id}/screening/share-outs/".ShareOut::query()->sole()->id.'/withdraw',
    )->assertSessionHas('notice', '17 judgements not yet made are taken back. What was decided stays.');
    expect(Shares::left($stage))
        ->toBe([])
        ->and(DB::table('assignments')->count())
        ->toBe(3)
        ->and(LogEntry::query()->where('action', 'share.handed-on')->count())
        ->toBe(1);
});

it('frees what a person who leaves the team had not judged, and keeps what they had', function () {
    $world = shared();
    $lead = $this->actingAs($world->people['lead']);
    $review = "/reviews/{$world->review->id}";
    $lead->post("{$review}/screening/share-outs", $world->terms(['anna', 'ben'], ['expected' => 12]));
    $world->decide('ben', $world->item(0), 'include');
    $ben = fn (string $table, string $who = 'user_id'): int => DB::table($table)
        ->where($who, $world->people['ben']->id)
        ->count();
    expect($ben('assignments'))->toBe(12)->and($ben('notifications', 'notifiable_id'))->toBeGreaterThan(0);
    $membership = $world->review->memberships()->where('user_id', $world->people['ben']->id)->sole();
    $lead->get("{$review}/team")->assertSeeText('11');
    $lead
        ->from("{$review}/team")
        ->delete("{$review}/team/{$membership->id}")
        ->assertSessionHas('notice');
    expect($ben('assignments'))
        ->toBe(1)
        ->and($ben('decisions'))
        ->toBe(1)
        ->and($ben('notifications', 'notifiable_id'))
        ->toBe(0);
    $this->actingAs($world->people['ben'])
        ->get("{$review}/question")
        ->assertNotFound();
});

it('draws a calibration set that everybody judges, apart from the main round', function () {
    $world = shared(20);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(
            ['anna', 'ben', 'lead'],
            ['mode' => 'everyone', 'sample' => '5', 'expected' => 5, 'name' => 'Calibration'],
        ),
    );
    $stage = $world->review->fresh()->stages->firstWhere('purpose', StagePurpose::Calibration);
    expect($stage->required_decisions)
        ->toBe(3)
        ->and($stage->name)
        ->toBe('Calibration 1')
        ->and(Shares::left($stage))
        ->toHaveCount(3)
        ->and($world->review->fresh()->firstStage()->work)
        ->toBe('anything');
    foreach (DB::table('items')->where('stage_id', $stage->id)->pluck('id') as $id) {
        foreach (['anna' => 'include', 'ben' => 'include', 'lead' => 'exclude'] as $who => $verdict) {
            $world->decide($who, $world->review->items()->findOrFail($id), $verdict);
        }
    }
    // what came of it counts nowhere else
    expect(DB::table('items')->where('stage_id', $stage->id)->pluck('state')->unique()->all())
        ->toBe(['disagreement'])
        ->and(DB::table('items')->where('stage_id', '<>', $stage->id)->pluck('state')->unique()->all())
        ->toBe(['waiting']);
    $this->get("/reviews/{$world->review->id}/screening/agreement?stage={$stage->id}")->assertSee(
        'Anna Kolbe and Ben Strand',
    );
    $this->get("/reviews/{$world->review->id}/report")
        ->assertOk()
        ->assertDontSee('do not add up');
});

it('lets people pull from one queue, and no more of them than an item needs', function () {
    $world = shared(8);
    app(ChangeStage::class)->change($world->people['lead'], $world->review->firstStage(), [
        'work' => 'queue',
        'required_decisions' => 1,
    ]);
    $seen = [];
    foreach (['anna', 'ben'] as $who) {
        $this->actingAs($world->people[$who])
            ->get("/reviews/{$world->review->id}/screening/desk")
            ->assertOk();
        $seen[$who] = array_column(
            (new Desk($world->review->fresh()->firstStage(), $world->people[$who]))->ahead(0, 50),
            'id',
        );
    }
    expect(count($seen['anna']))
        ->toBe(5)
        ->and(count($seen['ben']))
        ->toBe(3)
        ->and(array_intersect(...array_values($seen)))
        ->toBe([]);
    // what somebody left before them goes to others after a time
    $this->travel(30)->minutes();
    $this->actingAs($world->people['lead'])
        ->get("/reviews/{$world->review->id}/screening/desk?layout=list")
        ->assertOk();
    expect(count((new Desk($world->review->fresh()->firstStage(), $world->people['lead']))->ahead(0, 50)))->toBe(5);
});

it('shows what a change of rules would do, then does that and nothing else', function () {
    $world = shared(4);
    foreach (
        [
            ['anna', 0, 'include'],
            ['anna', 1, 'unsure'],
            ['ben', 1, 'include'],
            ['anna', 2, 'exclude'],
            ['ben', 2, 'exclude'],
        ] as [$who, $item, $verdict]
    ) {
        $world->decide($who, $world->item($item), $verdict);
    }
    $stage = $world->review->firstStage();
    $states = fn (): array => $world->review
        ->items()
        ->where('stage_id', $stage->id)
        ->orderBy('position')
        ->get()
        ->map(fn ($item): string => $item->state->value)
        ->all();
    expect($states())->toBe(['waiting', 'disagreement', 'excluded', 'waiting']);
    $url = "/reviews/{$world->review->id}/screening/stages/{$stage->id}";
    $rules = [
        'name' => 'Titles',
        'required_decisions' => 1,
        'unsure_includes' => '1',
        'reason_required' => '1',
        'settled_by' => 'third',
        'work' => 'anything',
    ];
    $this->actingAs($world->people['anna'])
        ->put($url, [...$rules, 'do' => 'change'])
        ->assertForbidden();
    $this->actingAs($world->people['lead'])
        ->put($url, [...$rules, 'do' => 'try'])
        ->assertSessionHas('effect', ['disagreement → included' => 1, 'waiting → included' => 1]);
    expect($states())->toBe(['waiting', 'disagreement', 'excluded', 'waiting']);
    $this->put($url, [...$rules, 'do' => 'change'])->assertSessionHas('notice');
    expect($states())
        ->toBe(['included', 'included', 'excluded', 'waiting'])
        ->and(LogEntry::query()->where('action', 'stage.changed')->sole()->details['items'])
        ->toEqual(['disagreement → included' => 1, 'waiting → included' => 1]);
    $this->put($url, [...$rules, 'required_decisions' => '0', 'do' => 'change'])->assertSessionHasErrors(
        'required_decisions',
    );
    // closing opens what is left, once and for all
    $this->post("{$url}/close")->assertSessionHas('notice');
    expect($states())
        ->toBe(['included', 'included', 'excluded', 'disagreement'])
        ->and($world->item(3)->kind)
        ->toBe('incomplete');
    expect(fn () => $world->decide('anna', $world->item(3), 'include'))->toThrow(Refused::class);
    $this->post("/reviews/{$world->review->id}/screening/disagreements/{$world->item(3)->id}/settlement", [
        'verdict' => 'include',
    ]);
    expect($world->item(3)->state)->toBe(ItemState::Included);
});

it('lets what is included go on to the full texts, and sets it aside when it no longer is', function () {
    $world = shared(3);
    $both = function (int $item, string $verdict) use ($world): void {
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, $world->item($item), $verdict);
        }
    };
    $both(0, 'include');
    $this->actingAs($world->people['lead'])
        ->post("/reviews/{$world->review->id}/screening/stages", ['name' => 'Full text', 'purpose' => 'full-text'])
        ->assertSessionHas('notice');
    $full = $world->review->fresh()->lastStage();
    $there = fn (): array => $world->review
        ->items()
        ->where('stage_id', $full->id)
        ->orderBy('position')
        ->get()
        ->map(fn ($item): string => $item->state->value)
        ->all();
    expect($full->purpose)
        ->toBe(StagePurpose::FullText)
        ->and($there())
        ->toBe(['awaited']);
    $both(1, 'include');
    $both(2, 'exclude');
    expect($there())->toBe(['awaited', 'awaited']);
    app(SetRetrieval::class)->execute(
        $world->people['lead'],
        $world->review->fresh(),
        [$world->item(0)->publication_id, $world->item(1)->publication_id],
        RetrievalState::Obtained,
        '',
        now(),
    );
    expect($there())->toBe(['waiting', 'waiting']);
    $first = $world->review->items()->where('stage_id', $full->id)->orderBy('position')->first();
    $world->decide('anna', $first, 'include');
    $settle = fn (int $item, string $verdict) => $this->post(
        "/reviews/{$world->review->id}/screening/disagreements/{$world->item($item)->id}/settlement",
        ['verdict' => $verdict, 'criterion' => $verdict === 'exclude' ? $world->review->criteria()->first()->id : null],
    )->assertSessionHas('notice');
    $settle(0, 'exclude');
    $settle(1, 'exclude');
    expect($there())
        ->toBe(['removed'])
        ->and(fn () => $world->decide('ben', $first, 'include'))
        ->toThrow(Refused::class, 'not included at the stage before');
    $settle(0, 'include');
    expect($there())->toBe(['waiting']);
    $world->decide('ben', $first, 'include');
    expect($there())->toBe(['included']);
    expect(array_column(iterator_to_array(LibraryReferences::included($world->review->fresh()), false), 'title'))->toBe(
        ['Lamps of ward aaa'],
    );
    $this->get("/reviews/{$world->review->id}/records?state=included&stage={$full->id}")->assertSeeText(
        'included at “full text”',
    );
    $this->get("/reviews/{$world->review->id}/records?stage={$full->id}")
        ->assertSeeText('that came to “full text”')
        ->assertSeeText('Lamps of ward aaa')
        ->assertDontSeeText('Lamps of ward bbb');
    $this->delete("/reviews/{$world->review->id}/screening/stages/{$full->id}")->assertSessionHas('problem');
    // the flow tells both stages, on the page and in every file
    $this->get("/reviews/{$world->review->id}/report")
        ->assertDontSeeText('do not add up')
        ->assertSeeText('studies included');
    $file = fn (string $format): string => (string) $this->get("/reviews/{$world->review->id}/report/flow.{$format}")
        ->assertOk()
        ->getContent();
    expect($file('svg'))
        ->toContain('Reports of included studies')
        ->and($file('csv'))
        ->toContain(",Included,Reports of included studies,1\r\n")
        ->and(substr($file('png'), 1, 3))
        ->toBe('PNG')
        ->and(substr($file('pdf'), 0, 4))
        ->toBe('%PDF');
});

it('keeps what is left of a share equal to a count, whatever happens to the items', function () {
    $world = shared(8);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(['anna', 'ben'], ['expected' => 8]),
    );
    $stage = $world->review->fresh()->firstStage();
    $equal = function () use ($stage): void {
        $counted = DB::select(
            "SELECT a.user_id, count(*)::int AS n FROM assignments a JOIN items i ON i.id = a.item_id WHERE a.stage_id = ? AND i.state = 'waiting'
            AND NOT EXISTS (SELECT 1 FROM decisions d WHERE d.item_id = a.item_id AND d.user_id = a.user_id AND d.superseded_at IS NULL AND d.verdict IS NOT NULL) GROUP BY 1",
            [$stage->id],
        );
        expect(Shares::left($stage))->toEqual(array_column($counted, 'n', 'user_id'));
    };
    $world->decide('anna', $world->item(0), 'include');
    $equal();
    app(RecordDecision::class)->takeBack($world->people['anna'], $world->item(0));
    $equal();
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(1), 'exclude');
    }
    $world->decide('ben', $world->item(2), 'include');
    $equal();
    $this->post("/reviews/{$world->review->id}/records/remove", [
        'sure' => '1',
        'reason' => 'Wrong',
        'ids' => [$world->item(3)->publication_id, $world->item(2)->publication_id],
    ]);
    $equal();
    $this->post("/reviews/{$world->review->id}/records/restore", ['all' => '2', 'sure' => '1']);
    $equal();
    app(ChangeStage::class)->change($world->people['lead'], $stage, ['required_decisions' => 1]);
    $equal();
    expect(Shares::left($stage))->toEqual([$world->people['anna']->id => 6, $world->people['ben']->id => 6]);
    app(ChangeStage::class)->close($world->people['lead'], $stage);
    expect(Shares::left($stage))->toBe([]);
});

it('puts what is kept of each person’s work together, and counts the same before and after', function () {
    $world = shared(8);
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(['anna', 'ben'], ['expected' => 8]),
    );
    foreach ([['anna', 0, 'include'], ['anna', 1, 'exclude'], ['ben', 0, 'include'], ['ben', 2, 'include']] as [$who, $item, $verdict]) {
        $world->decide($who, $world->item($item), $verdict);
    }
    $stage = $world->review->fresh()->firstStage();
    $kept = fn (): array => array_map(
        fn (string $who): array => (array) ScreenerCounts::of($world->people[$who], $stage),
        ['anna' => 'anna', 'ben' => 'ben', 'lead' => 'lead'],
    );
    $rows = fn (): int => DB::table('person_tallies')->where('review_id', $world->review->id)->count();
    $before = $kept();
    expect($before)->toBe([
        'anna' => ['done' => 2, 'left' => 6],
        'ben' => ['done' => 2, 'left' => 6],
        'lead' => ['done' => 0, 'left' => 0],
    ])->and($rows())->toBeGreaterThan(4);
    DB::select('SELECT put_person_tallies_together(?, ?)', [$world->review->id, $stage->id]);
    expect($rows())->toBe(2)->and($kept())->toBe($before);
    // somebody who has nothing left and nothing done has no row
    foreach (['anna', 'ben'] as $who) {
        for ($i = 0; $i < 8; $i++) {
            rescue(fn () => app(RecordDecision::class)->takeBack($world->people[$who], $world->item($i)), report: false);
        }
    }
    expect($kept()['ben'])->toBe(['done' => 1, 'left' => 7]);
});

it('finds where what is kept of people’s work is not what was done', function () {
    $world = shared(2);
    $world->decide('anna', $world->item(0), 'include');
    $this->artisan('heron:check-states')->expectsOutputToContain('Every state is what')->assertSuccessful();
    DB::table('person_tallies')->where('review_id', $world->review->id)->update(['judged' => 3]);
    $this->artisan('heron:check-states')
        ->expectsOutputToContain('are kept 3, 1, 0 (judged, unopened, to judge), and counted 1, 1, 0')
        ->assertFailed();
    DB::table('person_tallies')->where('review_id', $world->review->id)->update(['judged' => 1]);
});

it('says in words what the reading list holds, and reads only that', function () {
    $world = shared(6);
    $world->deliver([['TI' => 'Naps of nurses'], ['TI' => 'Naps of doctors', 'AB' => '']], 'Elsewhere');
    $world->decide('anna', $world->item(6), 'include');
    $desk = fn (string $query) => $this->actingAs($world->people['anna'])
        ->get("/reviews/{$world->review->id}/screening/desk?{$query}")
        ->assertOk();
    $words = fn (string $query): string => preg_replace('/\s+/', ' ', strip_tags($desk($query)->getContent()));
    expect($words(''))
        ->toContain('8 at this stage → 7 not judged by me, not open')
        ->and($words('q=title:naps'))
        ->toContain('7 not judged by me, not open → 1 match title:naps take off')
        ->and($words('q=title:naps&no_abstract=1&state=included'))
        ->toContain('→ 1 match title:naps take off → 1 without an abstract take off')
        ->and($words('q=title:nothing'))
        ->toContain('0 match title:nothing')
        ->toContain('does not match what this list was narrowed down to')
        ->and($words('q=title:(naps'))
        ->toContain('Column');
    $ahead = $this->getJson("/reviews/{$world->review->id}/screening/desk/ahead?q=title:naps")->json('items.*.title');
    expect($ahead)->toBe(['Naps of doctors']);
    // what came after a share-out is in nobody's share, and said to be
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/share-outs",
        $world->terms(['anna', 'ben'], ['expected' => 7]),
    );
    $world->deliver([['TI' => 'A late one']], 'Late');
    $this->get("/reviews/{$world->review->id}/screening")->assertSeeText('2 publications wait in nobody’s share');
});

it('gives nobody their own papers, and leaves out what too few are left for', function () {
    $world = (new World())->withCriteria();
    $world->deliver([
        ['TI' => 'One', 'AU' => 'Kolbe, A.'],
        ['TI' => 'Two'],
        ['TI' => 'Three'],
        ['TI' => 'Four', 'AU' => 'Strand, Ben'],
    ]);
    $this->actingAs($world->people['lead']);
    $url = "/reviews/{$world->review->id}/screening/share-outs";
    $page = fn (array $people, array $more = []): string => (string) preg_replace(
        '/\s+/',
        ' ',
        html_entity_decode(
            strip_tags(
                (string) $this->get($url.'?'.http_build_query($world->terms($people, $more)))
                    ->assertOk()
                    ->getContent(),
            ),
        ),
    );
    expect($page(['anna', 'ben']))->toContain('2 are by one of these people. 2 are left out')->toContain('Share out 2');
    expect($page(['anna', 'ben', 'lead']))
        ->toContain('2 are by one of these people. 2 go to others.')
        ->not->toContain('left out')
        ->toContain('Share out 4');
    $this->post($url, $world->terms(['anna', 'ben', 'lead'], ['expected' => 4]))->assertSessionHas('notice');
    $judges = fn (int $item): array => DB::table('assignments')
        ->where('item_id', $world->item($item)->id)
        ->join('users', 'users.id', '=', 'user_id')
        ->orderBy('name')
        ->pluck('name')
        ->all();
    expect($judges(0))
        ->toBe(['Ben Strand', 'Ines Okafor'])
        ->and($judges(3))
        ->toBe(['Anna Kolbe', 'Ines Okafor']);
});

it('names what has all its judges but one, and gives it to one more', function () {
    $world = shared(6);
    $url = "/reviews/{$world->review->id}/screening/share-outs";
    $this->actingAs($world->people['lead'])
        ->post($url, $world->terms(['anna'], ['decisions' => '1', 'expected' => 6]))
        ->assertSessionHas('notice');
    $world->decide('anna', $world->item(0), 'include');
    $this->get($url)->assertSeeText('6 publications have all judges but one.');
    $page = (string) preg_replace(
        '/\s+/',
        ' ',
        strip_tags(
            (string) $this->get(
                $url.'?'.http_build_query($world->terms(['anna', 'ben', 'lead'], ['pool' => 'half'])),
            )->getContent(),
        ),
    );
    expect($page)->toContain('Share out 6');
    $this->post(
        $url,
        $world->terms(
            ['anna', 'ben', 'lead'],
            ['pool' => 'half', 'expected' => 6, 'quota' => [$world->people['ben']->id => '2×']],
        ),
    )->assertSessionHas('notice');
    $second = DB::table('assignments')
        ->join('users', 'users.id', '=', 'user_id')
        ->groupBy('name')
        ->selectRaw('name, count(*) AS n')
        ->pluck('n', 'name')
        ->all();
    expect($second)->toEqual(['Anna Kolbe' => 6, 'Ben Strand' => 4, 'Ines Okafor' => 2]);
    $this->get($url)->assertDontSeeText('all judges but one.');
});

it('says before what handing on and taking back would do, and tells whom it concerns', function () {
    $world = shared(6);
    $url = "/reviews/{$world->review->id}/screening/share-outs";
    $this->actingAs($world->people['lead'])->post($url, $world->terms(['anna', 'ben'], ['expected' => 6]));
    $shareOut = ShareOut::query()->sole();
    $world->decide('anna', $world->item(0), 'include');
    $this->get("{$url}?hand={$world->people['anna']->id}&to[]={$world->people['lead']->id}")
        ->assertSeeText('5 judgements not yet made would go to: Ines Okafor 5.')
        ->assertSeeText('nothing is changed yet');
    $this->get("{$url}?hand={$world->people['anna']->id}&to[]={$world->people['ben']->id}")->assertSeeText(
        'given to, everybody chosen',
    );
    $this->get("{$url}?withdraw={$shareOut->id}")->assertSeeText('11 judgements not yet made would be taken from');
    expect(DB::table('assignments')->count())->toBe(12);
    $this->actingAs($world->people['anna'])
        ->get("{$url}?withdraw={$shareOut->id}")
        ->assertDontSeeText('would be taken from');
    $this->actingAs($world->people['lead'])->post("{$url}/{$shareOut->id}/withdraw");
    expect(
        $world->people['ben']->notifications()->get()->map(fn ($one): string => $one->data['text'])->all(),
    )->toContain('What you had not judged of “First half” was taken back');
});

it('carries what a calibration set ended with into the stage, so that nobody judges it twice', function () {
    $world = shared(4);
    $url = "/reviews/{$world->review->id}/screening";
    $this->actingAs($world->people['lead'])
        ->post("{$url}/share-outs", $world->terms(['anna', 'ben'], ['mode' => 'everyone', 'expected' => 4]))
        ->assertSessionHas('notice');
    $set = $world->review->fresh()->stages->firstWhere('purpose', StagePurpose::Calibration);
    $items = \App\Models\Item::query()->where('stage_id', $set->id)->orderBy('position')->get();
    foreach (
        ['anna' => ['include', 'exclude', 'include'], 'ben' => ['include', 'exclude', 'exclude']] as $who => $verdicts
    ) {
        foreach ($verdicts as $i => $verdict) {
            $world->decide($who, $items[$i], $verdict);
        }
    }
    $this->post("{$url}/stages/{$set->id}/target", ['target' => '0.9'])->assertSessionHas('notice');
    $this->get("{$url}/agreement?stage={$set->id}")
        ->assertSee('Not reached')
        ->assertSee('Take 2 into');
    $this->actingAs($world->people['anna'])
        ->post("{$url}/stages/{$set->id}/carry")
        ->assertForbidden();
    $this->actingAs($world->people['lead'])
        ->post("{$url}/stages/{$set->id}/carry")
        ->assertSessionHas('notice');
    $main = $world->review->firstStage();
    $states = \App\Models\Item::query()
        ->where('stage_id', $main->id)
        ->whereIn('publication_id', $items->pluck('publication_id'))
        ->get()
        ->pluck('state.value', 'publication_id');
    expect($items->map(fn ($item): string => $states[$item->publication_id])->all())->toBe([
        'included',
        'excluded',
        'waiting',
        'waiting',
    ]);
    expect(DB::table('decisions')->where('stage_id', $main->id)->whereNotNull('verdict')->count())->toBe(4);
    $this->post("{$url}/stages/{$set->id}/carry")->assertSessionHas('problem');
    // what was settled goes with it
    app(\App\Actions\Screening\SettleItem::class)->alone(
        $world->people['lead'],
        $items[2],
        \WaryHeron\Core\Screening\Verdict::Include,
        null,
        'as the protocol says',
    );
    $this->post("{$url}/stages/{$set->id}/carry");
    expect(
        \App\Models\Item::query()
            ->where('stage_id', $main->id)
            ->where('publication_id', $items[2]->publication_id)
            ->sole()->state->value,
    )->toBe('included');
    $this->post("{$url}/stages/{$main->id}/carry")->assertSessionHas(
        'problem',
        'Only a calibration set is carried into a stage.',
    );
});
