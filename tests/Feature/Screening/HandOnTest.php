<?php

namespace Tests\Feature\Screening;

use App\Models\LogEntry;
use App\Models\ShareOut;
use App\Queries\Screening\ShareOut\Shares;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;

it('hands on what somebody left undone, and keeps what they decided', function () {
    $world = (new World())->withWards(10);
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
    $world = (new World())->withWards();
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
    $world = (new World())->withWards(6);
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
    $world = (new World())->withWards(6);
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
