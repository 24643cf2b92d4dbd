<?php

namespace Tests\Feature\Coding;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\ProposeAnswers;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Http;
use Tests\Feature\Standin;
use Tests\Feature\World;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Lead\Confidence;

const TOLD = 'Nurses were randomised to bed lamps on four wards in Norway. In all, 64 nurses took part. Lamp colour was white in 12 rooms.';

/** One included paper and items of which the last is in no paper. */
function withItems(string ...$labels): World
{
    $world = (new World())->withCriteria();
    $world->deliver([['TI' => 'Bed lamps', 'AB' => TOLD]]);
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(), 'include');
    }
    foreach ($labels as $label) {
        app(ChangeCodebook::class)->add($world->people['lead'], $world->review, new Entry('', $label, new Code(CodeType::Text)));
    }

    return $world;
}

/** @return array<string, CodingLead> by the label of the item */
function proposed(World $world): array
{
    app(ProposeAnswers::class)->execute($world->review, $world->publication('Bed lamps'));
    $labels = CodebookItem::query()->pluck('label', 'id');

    return CodingLead::query()->get()->keyBy(fn (CodingLead $one): string => $labels[$one->code_id])->all();
}

function asks(): void
{
    config(['heron.leads' => ['url' => 'http://leads.test/leads', 'name' => 'The reading house', 'timeout' => 5]]);
}

it('asks no service unless one is named', function () {
    Http::fake();
    expect(proposed(withItems('Lamp colour')))->toHaveCount(1);
    Http::assertNothingSent();
});

it('believes a service what it quotes from the paper, says who said so, and calls it firm only where its own engine agrees', function () {
    asks();
    Standin::answers();
    $leads = proposed(withItems('Lamp colour', 'Weather forecast'));

    expect($leads['Lamp colour']->quote)->toBe('Lamp colour was white in 12 rooms.')
        ->and($leads['Lamp colour']->confidence)->toBe(Confidence::Firm)
        ->and($leads['Lamp colour']->reason)->toStartWith('The reading house: shares 2 words')
        ->and($leads)->not->toHaveKey('Weather forecast');
});

it('calls a value fair that only the service reads, whatever it says itself', function () {
    asks();
    $world = withItems('Lamp colour');
    $code = CodebookItem::query()->sole()->id;
    Standin::answers(fn () => Http::response(['leads' => [
        ['item' => $code, 'value' => 'white', 'quote' => 'Lamp colour was white', 'confidence' => 'firm', 'page' => 99],
    ]]));
    $lead = proposed($world)['Lamp colour'];

    expect([$lead->value, $lead->quote, $lead->confidence])->toBe(['white', 'Lamp colour was white in 12 rooms.', Confidence::Fair]);
});

it('throws away what the paper does not say, however sure the service is', function (array $lead) {
    asks();
    $world = withItems('Lamp colour');
    $code = CodebookItem::query()->sole()->id;
    $sent = null;
    Standin::answers(function (Request $request) use ($lead, $code, &$sent) {
        $sent = $request->data();

        return Http::response(['leads' => [['item' => $code, 'confidence' => 'firm', 'reason' => 'sure', ...$lead]]]);
    });
    $found = proposed($world)['Lamp colour'] ?? null;

    expect($found?->reason ?? '')->not->toContain('The reading house')
        ->and($found?->confidence)->not->toBe(Confidence::Firm)
        ->and($sent['items'][0]['label'])->toBe('Lamp colour')
        ->and($sent['pages'][0]['text'])->toContain('64 nurses took part');
})->with([
    'an invented quote' => [['value' => 'green', 'quote' => 'The lamps were green throughout the study.']],
    'a quote too short to be one' => [['value' => 'white', 'quote' => 'white']],
    'no value' => [['value' => '', 'quote' => 'Lamp colour was white in 12 rooms.']],
    'a value that is no text' => [['value' => ['white'], 'quote' => 'Lamp colour was white in 12 rooms.']],
]);

it('answers by itself where the service fails or sends what is none', function (callable $answer) {
    asks();
    $world = withItems('Lamp colour');
    Standin::answers(fn () => $answer());

    expect(proposed($world)['Lamp colour']->reason)->not->toContain('The reading house');
})->with([
    'down' => [fn () => Http::response('', 503)],
    'sends on elsewhere' => [fn () => Http::response('', 302, ['Location' => 'http://elsewhere.test'])],
    'no JSON' => [fn () => Http::response('<html>')],
    'no list' => [fn () => Http::response(['leads' => 'many'])],
    'a list of nothing' => [fn () => Http::response(['leads' => [null, 3, []]])],
]);
