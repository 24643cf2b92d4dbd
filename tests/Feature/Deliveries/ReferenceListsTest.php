<?php

namespace Tests\Feature\Deliveries;

use App\Actions\Deliveries\TakeReferences;
use App\Actions\Deliveries\WithdrawDelivery;
use App\Actions\Shared\Refused;
use App\Jobs\Deliveries\ReadReferenceLists;
use App\Models\Delivery;
use App\Models\FullText;
use App\Models\Task;
use App\Queries\Report\FlowQuery;
use App\Tasks\TaskState;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\Archive\AtArchive;
use Tests\Feature\Coding\AtTheDesk;
use Tests\Feature\World;
use WaryHeron\Core\Flow\NamedSource;
use WaryHeron\Core\Flow\SourceKind;

const CITED = [
    '1. Kolbe A, Haldor P. Lamps on nights: a randomised trial. J Night Work. 2014;21(3):201-9.',
    '2. Varga T. Naps before the night. Ward Stud. 2009;4:33-41.',
    '3. something that no style fits',
];

/** A review with one included report, and a copy of it that ends with these lines. */
function citing(string ...$lines): World
{
    $world = AtTheDesk::world();
    AtTheDesk::copy($world, 'Bed lamps', 'Lamps were tried.', ...$lines);

    return $world;
}

function copyIn(World $world): FullText
{
    return FullText::query()->where('review_id', $world->review->id)->sole();
}

it('delivers what an included report cites, as citation searching, and says what it could not tell', function () {
    $world = citing('References', ...CITED);
    $page = "/reviews/{$world->review->id}/deliveries/references";
    $this->actingAs($world->people['specialist'])->get($page)->assertOk()->assertSeeText('not taken');
    $this->post($page, ['copies' => [copyIn($world)->id]])->assertRedirect($page);

    $delivery = Delivery::query()->where('full_text_id', copyIn($world)->id)->sole();
    expect($delivery->only(['state', 'kept', 'rejected', 'source_kind', 'source_name', 'format']))->toBe([
        'state' => 'done',
        'kept' => 2,
        'rejected' => 1,
        'source_kind' => 'citation',
        'source_name' => TakeReferences::SOURCE,
        'format' => 'printed',
    ])
        ->and($delivery->rejections()->sole()->text)->toContain('something that no style fits')
        ->and($world->publication('Naps before the night')->year)->toBe(2009)
        ->and(Task::query()->where('kind', 'references')->sole()->message)->toBe('Lists delivered: 1.');
    $named = array_map(fn (NamedSource $one): array => [$one->kind, $one->n], FlowQuery::namedSources($world->review));
    expect($named)->toContain([SourceKind::Citation, 2]);
    $this->get($page)->assertSeeText('done')->assertDontSeeText('not taken');
    $this->get("/reviews/{$world->review->id}/report")->assertOk()->assertSeeText(TakeReferences::SOURCE);
});

it('takes a list once, and again when its delivery is withdrawn', function () {
    $world = citing('References', ...CITED);
    $take = app(TakeReferences::class);
    $take->execute($world->people['lead'], copyIn($world));
    expect(fn () => $take->execute($world->people['lead'], copyIn($world)))->toThrow(Refused::class, 'was delivered');
    $page = "/reviews/{$world->review->id}/deliveries/references";
    $this->actingAs($world->people['lead'])
        ->post($page, ['copies' => [copyIn($world)->id]])
        ->assertSessionHasErrors(['copies' => 'The lists of these were taken already, or their copies are gone.']);
    app(WithdrawDelivery::class)->execute(
        $world->people['lead'],
        Delivery::query()->whereNotNull('full_text_id')->sole(),
    );
    $this->post($page, ['copies' => [copyIn($world)->id]])->assertSessionHasNoErrors();
    expect(Delivery::query()->whereNotNull('full_text_id')->whereNull('withdrawn_at')->count())->toBe(1);
});

it('says why nothing was taken where the review may keep no more', function () {
    $world = citing('References', ...CITED);
    config(['heron.review_gigabytes' => 0]);
    $this->actingAs($world->people['lead'])
        ->post("/reviews/{$world->review->id}/deliveries/references", ['copies' => [copyIn($world)->id]]);
    $task = Task::query()->where('kind', 'references')->sole();
    expect($task->message)->toMatch('/^Lists delivered: 0\. Nothing from .+: The files of this review would come to more than/')
        ->and(Delivery::query()->whereNotNull('full_text_id')->exists())->toBeFalse();
});

it('says of which reports it found nothing', function () {
    $world = citing('It ends without a list.');
    $this->actingAs($world->people['lead'])
        ->post("/reviews/{$world->review->id}/deliveries/references", ['copies' => [copyIn($world)->id]]);
    $task = Task::query()->where('kind', 'references')->sole();
    expect($task->message)->toMatch('/^Lists delivered: 0\. Nothing from \S.+: No list of references was found in it\.$/')
        ->and(Delivery::query()->whereNotNull('full_text_id')->exists())->toBeFalse();
});

it('is for those who deliver, of the review’s own included reports, and one at a time', function () {
    $world = citing('References', ...CITED);
    $page = "/reviews/{$world->review->id}/deliveries/references";
    $this->actingAs($world->people['observer'])->get($page)->assertOk()->assertDontSee('Take the lists');
    $this->post($page, ['copies' => [copyIn($world)->id]])->assertForbidden();
    $this->actingAs($world->people['outsider'])->get($page)->assertNotFound();
    $this->actingAs($world->people['lead'])->post($page, ['copies' => []])->assertSessionHasErrors('copies');
    $this->post($page, ['copies' => [str_repeat('0', 26)]])->assertSessionHasErrors('copies');

    $elsewhere = copyIn($world)->replicate()->fill(['publication_id' => null]);
    $elsewhere->fill(['review_id' => AtTheDesk::elsewhere($world)->id])->save();
    $this->actingAs($world->people['lead'])->post($page, ['copies' => [$elsewhere->id]])->assertSessionHasErrors('copies');

    Queue::fake();
    $this->actingAs($world->people['lead'])->post($page, ['copies' => [copyIn($world)->id]])->assertSessionHasNoErrors();
    $this->get($page)->assertSee('disabled');
    expect(fn () => app(TakeReferences::class)->later($world->people['lead'], $world->review, [copyIn($world)->id]))
        ->toThrow(Refused::class, 'being taken already');
    expect(Delivery::query()->whereNotNull('full_text_id')->exists())->toBeFalse();
});

it('counts lists of several reports as one source in the flow', function () {
    $world = citing('References', ...CITED);
    foreach (['one', 'other'] as $i => $list) {
        $copy = AtTheDesk::copyOf($world, 'Bed lamps', 'References', "1. Sand U. What {$list} said. Alert. 201{$i};2:1-9.");
        app(TakeReferences::class)->execute($world->people['lead'], $copy);
    }
    $source = FlowQuery::sources($world->review)->where('source_name', TakeReferences::SOURCE)->sole();
    expect([$source->kept, $source->deliveries, $source->id])->toBe([2, 2, null]);
});

it('passes over a paper on which it died twice, and stops where it is told to', function () {
    $world = citing('References', ...CITED);
    $second = AtTheDesk::copyOf($world, 'Bed lamps', 'References', '1. Sand U. What else was said. Alert. 2011;2:1-9.');
    $copies = FullText::query()->orderBy('id')->pluck('id')->all();
    $lists = fn (): int => Delivery::query()->whereNotNull('full_text_id')->count();
    $task = function () use ($world, $copies): Task {
        Queue::fake();

        return app(TakeReferences::class)->later($world->people['lead'], $world->review, $copies);
    };
    $died = $task();
    $died->update(['in_hand' => "paper {$copies[0]}", 'deaths' => 1]);
    (new ReadReferenceLists($died->id, $copies))->handle(app(TakeReferences::class));
    expect($died->refresh()->message)->toMatch('/^Lists delivered: 1\. Nothing from .+: It could not be read\.$/')
        ->and([$died->done, $died->deaths, $died->in_hand])->toBe([2, 0, null])
        ->and(Delivery::query()->whereNotNull('full_text_id')->sole()->full_text_id)->toBe($second->id);
    // killed before it could say what it had done, it says so when it goes on
    $again = $task();
    $again->update(['created_at' => Delivery::query()->whereNotNull('full_text_id')->sole()->created_at]);
    (new ReadReferenceLists($again->id, [$second->id]))->handle(app(TakeReferences::class));
    expect($again->refresh()->message)->toBe('Lists delivered: 1.')->and($lists())->toBe(1);

    $stopped = $task();
    $stopped->update(['cancel_requested_at' => now()]);
    (new ReadReferenceLists($stopped->id, $copies))->handle(app(TakeReferences::class));
    expect($stopped->refresh()->state)->toBe(TaskState::Cancelled)
        ->and($stopped->message)->toBe('Cancelled. Lists delivered: 0.')
        ->and($lists())->toBe(1);
});

it('is brought back with the paper it was taken from, after its review was deleted for good', function () {
    $world = citing('References', ...CITED);
    app(TakeReferences::class)->execute($world->people['lead'], copyIn($world));
    $archive = AtArchive::write($world->review->fresh());
    AtArchive::delete($world->review, $archive);
    expect(Delivery::query()->whereNotNull('full_text_id')->exists())->toBeFalse();
    AtArchive::bring($world->people['lead'], $archive);
    $delivery = Delivery::query()->whereNotNull('full_text_id')->sole();
    expect($delivery->full_text_id)->toBe(copyIn($world)->id)->and($delivery->kept)->toBe(2);
});
