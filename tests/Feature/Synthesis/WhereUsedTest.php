<?php

namespace Tests\Feature\Synthesis;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\MarkPassage;
use App\Actions\Coding\SaveAnswer;
use App\Actions\Synthesis\KeepTable;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\AnswerSlot;
use App\Queries\Synthesis\Traced\UsedPlace;
use App\Queries\Synthesis\Traced\WhereUsed;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\Coding\ThemePath;
use WaryHeron\Core\Synthesis\Table\TableDefinition;

/** Aster is coded, pooled, tabled and marked; Birk is only included. */
function usedAll(): AtSynthesis
{
    $at = AtSynthesis::with('Aster', 'Birk');
    [$lead, $coder, $review] = [$at->world->people['lead'], $at->world->people['coder'], $at->world->review];
    app(ChangeCodebook::class)->addAll($lead, $review, [
        new Entry('light', 'Light', new Code(CodeType::Choice, ['lamp', 'window'])),
        new Entry('country', 'Country', new Code(CodeType::Text)),
    ]);
    $light = CodebookItem::query()->where('label', 'Light')->sole();
    $aster = $at->world->publication('Lamps of Aster');
    app(SaveAnswer::class)->execute($coder, new AnswerSlot($aster, $light), new GivenAnswer('lamp'));
    app(MarkPassage::class)->mark($coder, $aster, Evidence::quoted('it dazzled'), ThemePath::all('Glare'), '');
    $at->counts('Aster', 7, 86, 15, 85, ['evidence' => ['e1' => [['quote' => '7 of 86 made one']]]]);
    $at->analysis(['groups' => $light->id]);
    app(KeepTable::class)->begin($coder, $review, 'Those with lamps', TableDefinition::fromArray([
        'columns' => ["outcome:{$at->misses->id}"],
        'with' => ["{$light->id}:lamp"],
    ]));

    return $at;
}

/** @return list<string> */
function words(array $uses): array
{
    return array_map(fn (UsedPlace $one): string => "{$one->what} {$one->words}", $uses);
}

it('leads from a study to all that it is used in, and only to that', function () {
    $at = usedAll();
    $used = WhereUsed::in($at->world->review);
    expect(words($used->study($at->world->publication('Lamps of Aster'))))->toBe([
        'Coded 1 item', 'Passage under Glare', 'Results of Near misses', 'Analysis Near misses in the night', 'Table Those with lamps',
    ])->and($used->study($at->world->publication('Lamps of Birk')))->toBe([]);
    $id = $at->world->publication('Lamps of Aster')->id;
    $this->actingAs($at->world->people['observer'])
        ->get("/reviews/{$at->world->review->id}/publications/{$id}")
        ->assertOk()
        ->assertSeeInOrder(['Where it is used', 'Those with lamps', 'History']);
    // each leads there
    foreach ($used->study($at->world->publication('Lamps of Aster')) as $use) {
        $this->get($use->url)->assertOk();
    }
});

it('leads from an item and an outcome to analyses and tables', function () {
    $at = usedAll();
    $used = WhereUsed::in($at->world->review);
    $item = fn (string $label): array => words($used->item(CodebookItem::query()->where('label', $label)->sole()));
    expect($item('Light'))->toBe(['Analysis Near misses in the night', 'Table Those with lamps'])
        ->and($item('Country'))->toBe([])
        ->and(words($used->outcome($at->misses)))->toBe(['Analysis Near misses in the night', 'Table Those with lamps'])
        ->and($used->outcome($at->sleepy))->toBe([]);
    $rule = [['item' => CodebookItem::query()->where('label', 'Country')->value('id'), 'answers' => ['x']]];
    $at->world->review->update(['depth_rule' => $rule]);
    $again = WhereUsed::in(Review::query()->findOrFail($at->world->review->id));
    expect(words($again->item(CodebookItem::query()->where('label', 'Country')->sole())))->toBe(['Rule of the in-depth subset']);
    $at->at('/outcomes')->assertSee('Used 2 times');
    $this->get("/reviews/{$at->world->review->id}/codebook")->assertSee('Used 2 times');
});

it('asks the codebook for uses without a query for each item', function () {
    $at = usedAll();
    $url = "/reviews/{$at->world->review->id}/codebook";
    $count = function () use ($url): int {
        DB::flushQueryLog();
        DB::enableQueryLog();
        test()->get($url)->assertOk();

        return count(DB::getQueryLog());
    };
    $this->actingAs($at->world->people['observer']);
    $count();
    $few = $count();
    app(ChangeCodebook::class)->addAll($at->world->people['lead'], $at->world->review, array_map(
        fn (int $i): Entry => new Entry("i{$i}", "Item {$i}", new Code(CodeType::Text)),
        range(1, 8),
    ));
    expect($count())->toBe($few);
});

it('has notes for paper: each study’s numbers, words, decision and search', function () {
    $at = usedAll();
    $analysis = $at->analysis();
    $at->at("/analyses/{$analysis->id}")
        ->assertSeeInOrder(['Aster A 2020 [1]', 'Where the numbers come from', 'Aster A 2020.'])
        ->assertSee('with the event, intervention 7; of, intervention 86')
        ->assertSee('“7 of 86 made one” (abstract).', false)
        ->assertSee('Included at title and abstract')
        ->assertSee('Found by');
});
