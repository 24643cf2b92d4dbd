<?php

namespace Tests\Feature\Scouting;

use App\Models\ScoutedPaper;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Tests\Feature\Standin;
use Tests\Feature\World;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Scouting\Answer\Direction;

const VAGUE = 'We tried naps in 90 nurses. Sleepiness was recorded with and without a planned nap in 90 nurses. On the whole, those who napped were far less drowsy.';

/** A service that points to this sentence in every paper. */
function pointsTo(string $quote): void
{
    config(['heron.leads' => ['url' => 'http://leads.test/leads', 'name' => 'The reading house', 'timeout' => 5]]);
    Standin::answers(fn (Request $request) => Http::response(['leads' => [
        ['item' => $request->data()['items'][0]['id'], 'value' => $quote, 'quote' => $quote, 'confidence' => 'firm'],
    ]]));
}

function onePaper(string $abstract): ScoutedPaper
{
    $world = new World();
    $world->deliver([['TI' => 'Planned naps of night nurses', 'AB' => $abstract]]);

    return paperCalled(asked($world), 'Planned naps');
}

it('shows the sentence that a service points to, with the direction that is read here, and never firm by its word', function () {
    pointsTo('those who napped were far less drowsy');
    $paper = onePaper(VAGUE);

    expect([$paper->sentence, $paper->direction, $paper->confidence])->toBe([
        'On the whole, those who napped were far less drowsy.', Direction::Less, Confidence::Fair,
    ])->and($paper->reason)->toContain('The reading house');
});

it('throws away what the paper does not say', function () {
    pointsTo('sleepiness was halved by the planned nap');
    $paper = onePaper(VAGUE);

    expect($paper->sentence)->not->toContain('halved')
        ->and($paper->reason)->not->toContain('The reading house');
});

it('keeps what is firm, and says that the service points elsewhere', function () {
    pointsTo('120 nurses were randomised');
    $paper = onePaper(NAPS[0]['AB']);

    expect($paper->confidence)->toBe(Confidence::Firm)
        ->and($paper->sentence)->toStartWith('Sleepiness at 06:00')
        ->and($paper->reason)->toContain('The reading house points to another sentence');
});

it('tells of a service that fails, and keeps what was read here', function () {
    config(['heron.leads' => ['url' => 'http://leads.test/leads', 'name' => 'The reading house', 'timeout' => 5]]);
    Standin::answers(fn () => Http::response('', 503));
    $paper = onePaper(NAPS[0]['AB']);

    expect($paper->sentence)->toStartWith('Sleepiness at 06:00')
        ->and($paper->scouting->refresh()->trouble)->toContain('The reading house');
});

it('asks nobody where no service is named', function () {
    Http::fake();
    onePaper(NAPS[0]['AB']);
    Http::assertNothingSent();
});
