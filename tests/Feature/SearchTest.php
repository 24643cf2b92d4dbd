<?php

use App\Models\Record;
use Illuminate\Support\Facades\Http;
use Tests\Feature\World;
use WaryHeron\Standins\Alder\SruServer;
use WaryHeron\Standins\Store;

/** The real stand-in, answering in this process instead of over the wire. */
function alderAnswers(?Closure $instead = null): void
{
    Http::fake(fn ($request) => ($instead === null ? null : $instead($request)) ?? Http::response((new SruServer(Store::connect()))->answer(array_map(strval(...), $request->data()))));
}

it('reads a query while it is typed', function () {
    alderAnswers();
    $world = new World;
    $read = fn (string $query) => $this->actingAs($world->people['anna'])->postJson("/reviews/{$world->review->id}/searches/read", ['query' => $query, 'source' => 'alder', 'count' => true])->assertOk();
    $read('night* AND (')->assertJsonPath('problems.0.start', 12)->assertJsonMissingPath('count');
    $answer = $read('title:light* AND year:2010-2020')->assertJsonPath('compiled', 'dc.title = light* and dc.date within "2010 2020"');
    expect($answer->json('count'))->toBeGreaterThan(5);
    $read('#1 AND lamp')->assertJsonPath('usable', false);
    expect($read('heading:"No such thing"')->json('failure'))->toContain('no heading');
});

it('shows records before anything is fetched, then fetches them all in batches', function () {
    alderAnswers();
    config(['heron.sources.alder.batch' => 40]);
    $world = new World;
    $review = "/reviews/{$world->review->id}";
    $this->actingAs($world->people['specialist'])->post("{$review}/searches", ['name' => 'Lamps', 'source' => 'alder', 'query' => '(bright OR blue*) NEAR/2 light*'])->assertRedirect();
    $search = $world->review->searches()->sole();
    $this->get("{$review}/searches/{$search->id}")->assertOk()->assertSee('<mark>', false)->assertSee('Fetch');
    expect(Record::query()->count())->toBe(0);
    $this->actingAs($world->people['anna'])->post("{$review}/searches/{$search->id}/fetch")->assertForbidden();
    $this->actingAs($world->people['specialist'])->post("{$review}/searches/{$search->id}/fetch")->assertRedirect();
    $delivery = $world->review->deliveries()->sole();
    expect($delivery->state)->toBe('done')->and($delivery->kept)->toBe($search->refresh()->count)->toBeGreaterThan(80)->and(Record::query()->count())->toBe($delivery->kept);
    $record = Record::query()->first();
    expect($record->source)->toContain('<mods')->and($record->reference)->toHaveKeys(['title', 'authors', 'journal', 'year']);
    $this->post("{$review}/searches/{$search->id}/fetch");
    expect($world->review->deliveries()->orderByDesc('id')->first()->only('new', 'already_here'))->toBe(['new' => 0, 'already_here' => $delivery->kept]);
});

it('stops clearly when the source fails, and goes on without a gap', function (Closure $failure, string $says) {
    $asked = 0;
    $broken = true;
    alderAnswers(function ($request) use (&$asked, &$broken, $failure) {
        return $broken && (int) $request['maximumRecords'] > 0 && ++$asked > 1 ? $failure() : null;
    });
    config(['heron.sources.alder.batch' => 20]);
    $world = new World;
    $search = $world->review->searches()->create(['name' => 'x', 'source' => 'alder', 'query' => 'title:light*', 'created_by' => $world->people['lead']->id]);
    $this->actingAs($world->people['specialist'])->post("/reviews/{$world->review->id}/searches/{$search->id}/fetch")->assertRedirect();
    $delivery = $world->review->deliveries()->sole();
    expect($delivery->state)->toBe('failed')->and($delivery->failure)->toContain($says)->and($delivery->kept)->toBe(20);
    $broken = false;
    $this->post("/reviews/{$world->review->id}/deliveries/{$delivery->id}/go-on")->assertRedirect();
    expect($delivery->refresh()->state)->toBe('done')->and($delivery->kept)->toBe($delivery->expected)->and(Record::query()->distinct()->count('position'))->toBe($delivery->expected);
})->with([
    'down' => [fn () => Http::response('gone', 503), 'status 503'],
    'rubbish' => [fn () => Http::response('<html>'), 'no XML'],
    'entities' => [fn () => Http::response('<!DOCTYPE x [<!ENTITY a "b">]><x/>'), 'declares entities'],
    'fewer' => [fn () => Http::response('<r xmlns="http://www.loc.gov/zing/srw/"><numberOfRecords>3</numberOfRecords></r>'), 'now counts 3'],
]);

it('says when the source is away', function () {
    Http::fake(fn () => throw new Illuminate\Http\Client\ConnectionException('refused'));
    $world = new World;
    $search = $world->review->searches()->create(['name' => 'x', 'source' => 'alder', 'query' => 'lamp', 'created_by' => $world->people['lead']->id]);
    $this->actingAs($world->people['specialist'])->get("/reviews/{$world->review->id}/searches/{$search->id}")->assertOk()->assertSee('does not answer');
    $this->post("/reviews/{$world->review->id}/searches/{$search->id}/fetch")->assertSessionHas('problem');
});
