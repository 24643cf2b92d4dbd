<?php

namespace Tests\Feature\Screening;

use App\Actions\FullTexts\SetRetrieval;
use App\Actions\Shared\Refused;
use App\Models\LogEntry;
use App\Queries\Library\LibraryReferences;
use Tests\Feature\World;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\StagePurpose;

it('shows what a change of rules would do, then does that and nothing else', function () {
    $world = (new World())->withWards(4);
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
    $world = (new World())->withWards(3);
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
