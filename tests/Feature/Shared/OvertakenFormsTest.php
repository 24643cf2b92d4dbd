<?php

namespace Tests\Feature\Shared\OvertakenForms;

use App\Actions\Shared\Shown;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Str;
use Tests\Feature\Synthesis\AtSynthesis;

/** A form that changes something which two may change: where it stands, where it goes, and what is typed into it. */
final readonly class ChangingForm
{
    /** @param  array<string, mixed>  $typed */
    public function __construct(public string $page, public string $url, public array $typed, public string $did)
    {
    }

    public static function of(string $what, AtSynthesis $at): self
    {
        $review = $at->world->review;
        $base = "/reviews/{$review->id}";
        $criterion = $review->criteria()->create(['question' => 'Lamps?', 'reason' => 'No lamps', 'position' => 1]);
        $code = $review->codes()->create(['label' => 'Country', 'type' => 'text', 'position' => 1]);
        test()->actingAs($at->world->people['lead'])
            ->post("{$base}/screening/marked-words", ['name' => 'Light', 'stance' => 'for', 'words' => 'lamp*'])->assertSessionHasNoErrors();
        $list = $review->markLists()->sole();
        $analysis = $at->analysis();

        return match ($what) {
            'question' => new self("{$base}/question", "{$base}/question", ['title' => 'Lamps'], 'changed the question or its concepts'),
            'notes on the search' => new self("{$base}/searches/report", "{$base}/searches/report", ['contacts' => 'Mine'], 'said more of how was searched'),
            'criterion' => new self(
                "{$base}/question",
                "{$base}/criteria/{$criterion->id}",
                ['question' => 'Lit?', 'reason' => 'Dark'],
                'reworded “Lit?”',
            ),
            'item of the codebook' => new self(
                "{$base}/codebook",
                "{$base}/codebook/{$code->id}",
                ['label' => 'Land', 'type' => 'text', 'pass' => 'mapping', 'form' => $code->id],
                'changed “Land”',
            ),
            'outcome' => new self(
                "{$base}/synthesis/outcomes",
                "{$base}/synthesis/outcomes/{$at->misses->id}",
                ['name' => 'Slips'],
                'changed “Slips”',
            ),
            'marked words' => new self(
                "{$base}/screening/marked-words",
                "{$base}/screening/marked-words/{$list->id}",
                ['name' => 'Lamps', 'stance' => 'for', 'words' => 'visor*'],
                'changed “Lamps”',
            ),
            'rules of a stage' => new self(
                "{$base}/screening/stages",
                "{$base}/screening/stages/{$review->firstStage()->id}",
                ['do' => 'change', 'name' => 'Titles read', 'required_decisions' => 2, 'settled_by' => 'pair', 'work' => 'anything'],
                'changed the rules of “Titles read”',
            ),
            'flow diagram' => new self(
                "{$base}/report",
                "{$base}/report/flow",
                ['previous_studies' => 2, 'previous_reports' => 3],
                'changed what the flow diagram says',
            ),
            'diagram of work' => new self(
                "{$base}/report/work",
                "{$base}/report/work",
                ['columns' => 3, 'captions' => ['Sought']],
                'changed what the diagram of work says',
            ),
            'certainty' => new self(
                "{$base}/synthesis/certainty",
                "{$base}/synthesis/analyses/{$analysis->id}/certainty",
                ['start' => 4, 'reasons' => ['bias' => ['steps' => 1, 'why' => 'Nobody was blinded']]],
                'judged this certainty',
            ),
        };
    }

    /** What the form says that it shows, as the page has it now. */
    public function shown(User $by): string
    {
        $html = (string) test()->actingAs($by)->get($this->page)->assertOk()->getContent();
        $action = preg_quote(e(url($this->url)), '~');

        return preg_match("~action=\"{$action}\"(?:(?!</form>).)*?name=\"shown\" value=\"(\w+)\"~s", $html, $found) === 1 ? $found[1] : '';
    }
}

it('overwrites nothing unseen, and keeps what was typed', function (string $what) {
    $at = AtSynthesis::fiveStudies();
    $form = ChangingForm::of($what, $at);
    [$first, $second] = [$at->world->people['lead'], $at->world->people['coder']];
    $at->world->review->memberships()->where('user_id', $second->id)->update(['role' => 'lead']);
    $seen = $form->shown($second);
    expect($seen)->not->toBe('');
    $this->actingAs($first)->put($form->url, [...$form->typed, 'shown' => $form->shown($first)])
        ->assertSessionHasNoErrors()
        ->assertSessionMissing('problem');

    $mine = [...$form->typed, ...(isset($form->typed['title']) ? ['title' => 'Mine'] : []), ...(isset($form->typed['name']) ? ['name' => 'Mine'] : []), ...(isset($form->typed['contacts']) ? ['contacts' => 'Mine too'] : [])];
    $this->actingAs($second)->from($form->page)->put($form->url, [...$mine, 'reason' => 'Mine', 'label' => 'Mine', 'shown' => $seen])
        ->assertRedirect($form->page)
        ->assertSessionHas('problem', fn (string $said): bool => Str::startsWith($said, "{$first->name} {$form->did} meanwhile."))
        ->assertSessionHas('typed_at', $form->url);
    $this->get($form->page)->assertSee('id="typed-again"', false)->assertSee('Mine');

    // seen, it may be kept over that
    $this->put($form->url, [...$mine, 'shown' => $form->shown($second)])->assertSessionMissing('problem')->assertSessionHasNoErrors();
})->with([
    'question',
    'notes on the search',
    'criterion',
    'item of the codebook',
    'outcome',
    'marked words',
    'rules of a stage',
    'flow diagram',
    'diagram of work',
    'certainty',
]);

it('takes a stamp for what it is of, however it was read, and nothing that changes by itself', function () {
    $at = AtSynthesis::fiveStudies();
    $review = $at->world->review;
    $again = Review::query()->findOrFail($review->id);
    expect(Shown::stamp($again))->toBe(Shown::stamp(Review::query()->findOrFail($review->id)));
    $again->touch();
    expect(Shown::stamp($again->fresh()))->toBe(Shown::stamp($review->fresh()))
        ->and(Shown::stamp(['a' => 1, 'b' => 2]))->toBe(Shown::stamp(['b' => 2, 'a' => 1]))
        ->and(Shown::stamp(['a' => 1]))->not->toBe(Shown::stamp(['a' => '1 ']));
});
