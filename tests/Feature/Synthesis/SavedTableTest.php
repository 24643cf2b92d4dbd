<?php

namespace Tests\Feature\Synthesis;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\ChangeParts;
use App\Actions\Coding\MarkPassage;
use App\Actions\Coding\SaveAnswer;
use App\Models\CodebookItem;
use App\Models\LogEntry;
use App\Models\SavedTable;
use App\Models\Theme;
use App\Queries\Coding\AnswerSlot;
use Tests\Feature\Coding\AtTheDesk;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\Coding\ThemePath;

/** Three studies with a design, light in each arm, a result and a passage. */
function tabled(): AtSynthesis
{
    $at = AtSynthesis::with('Aster', 'Birk', 'Cole');
    app(ChangeCodebook::class)->addAll($at->world->people['lead'], $at->world->review, [
        new Entry('design', 'Design', new Code(CodeType::Choices, ['trial', 'cohort'])),
        new Entry('lux', 'Lux', new Code(CodeType::Number, unit: 'lux'), per: 'arm'),
    ]);
    $coder = $at->world->people['coder'];
    foreach (['Aster' => ['trial'], 'Birk' => ['trial', 'cohort']] as $name => $design) {
        answered($at, $name, 'Design', new GivenAnswer($design, evidence: [Evidence::quoted("design of {$name}")], note: "see {$name}"));
    }
    $aster = $at->world->publication('Lamps of Aster');
    foreach (['Lamp' => '900', 'Dark' => '70'] as $name => $lux) {
        $part = app(ChangeParts::class)->name($coder, $aster, 'arm', $name);
        $code = CodebookItem::query()->where('label', 'Lux')->sole();
        app(SaveAnswer::class)->execute($coder, new AnswerSlot($aster, $code, $part), new GivenAnswer($lux));
    }
    $at->counts('Aster', 7, 86, 15, 85, ['time' => 'after a week']);
    app(MarkPassage::class)->mark($coder, $aster, Evidence::quoted('the lamps dazzled them'), ThemePath::all('Acceptance › Glare'), '');

    return $at;
}

function answered(AtSynthesis $at, string $name, string $label, GivenAnswer $given): void
{
    $code = CodebookItem::query()->where('label', $label)->sole();
    $slot = new AnswerSlot($at->world->publication("Lamps of {$name}"), $code);
    app(SaveAnswer::class)->execute($at->world->people['coder'], $slot, $given);
}

/** @return list<string> */
function everyColumn(AtSynthesis $at): array
{
    return [
        ...CodebookItem::query()->orderBy('position')->pluck('id')->map(fn (string $id): string => "item:{$id}")->all(),
        "outcome:{$at->misses->id}",
        'theme:'.Theme::query()->where('name', 'Acceptance')->value('id'),
    ];
}

/** @param  array<string, mixed>  $terms */
function kept(AtSynthesis $at, array $terms): SavedTable
{
    test()->actingAs($at->world->people['coder'])
        ->post("/reviews/{$at->world->review->id}/synthesis/tables", ['title' => 'What they did', ...$terms])
        ->assertRedirect();

    return SavedTable::query()->latest('id')->firstOrFail();
}

function csv(AtSynthesis $at, string $tail): string
{
    return AtTheDesk::bytes($at->at("/tables/{$tail}")->assertOk());
}

it('keeps items, outcomes and themes as columns, and shows them of each study', function () {
    $at = tabled();
    $table = kept($at, ['columns' => everyColumn($at)]);
    $at->at("/tables/{$table->id}")
        ->assertOk()
        ->assertSee('3 included studies')
        ->assertSeeInOrder(['Design', 'Lux, lux', 'Near misses', 'Acceptance'])
        ->assertSeeInOrder(['Aster A 2020', 'trial', 'Lamp: 900 lux', 'Dark: 70 lux'])
        ->assertSeeInOrder(['after a week; 7/86 against 15/85; relative risk 0.46', 'the lamps dazzled them'])
        ->assertSeeInOrder(['Birk A 2020', 'trial; cohort', '–'])
        ->assertDontSee('design of Aster');
    expect(LogEntry::query()->where('action', 'table.added')->count())->toBe(1);
});

it('shows what each cell rests on, where that is asked for', function () {
    $at = tabled();
    $table = kept($at, ['columns' => everyColumn($at), 'parts' => ['quote', 'note']]);
    $at->at("/tables/{$table->id}")->assertSeeInOrder(['“design of Aster”', 'see Aster']);
    expect(csv($at, "{$table->id}.csv"))
        ->toContain('Design: evidence,Design: note', 'design of Aster,see Aster', "\"Lamp: 900\nDark: 70\"");
});

it('puts studies together by an item, those of several answers under each', function () {
    $at = tabled();
    $design = CodebookItem::query()->where('label', 'Design')->value('id');
    $table = kept($at, ['columns' => ["outcome:{$at->misses->id}"], 'groups' => $design, 'sort' => 'author', 'down' => '1']);
    $at->at("/tables/{$table->id}")->assertSeeInOrder(['Design: trial', 'Birk', 'Aster', 'Design: cohort', 'Birk', 'Design: no answer', 'Cole']);
    preg_match_all('/^(\w[^,]*),/m', csv($at, "{$table->id}.csv"), $lines);
    expect($lines[1])->toBe(['trial', 'trial', 'cohort', 'no answer']);
});

it('is run again on what there is, and on studies that it is narrowed to', function () {
    $at = tabled();
    $design = CodebookItem::query()->where('label', 'Design')->value('id');
    $table = kept($at, ['columns' => ["item:{$design}"]]);
    answered($at, 'Cole', 'Design', new GivenAnswer(['cohort']));
    $at->at("/tables/{$table->id}")->assertSeeInOrder(['Cole A 2020', 'cohort']);
    $tried = "tried=1&columns[]=item:{$design}&item={$design}&says=cohort";
    $at->at("/tables/{$table->id}?{$tried}", 'coder')->assertSee('2 of the included studies')->assertDontSee('Aster A 2020')->assertSee('Keep it so');
    expect(csv($at, "{$table->id}.csv?tried=1&columns[]=item:{$design}&with[]={$design}:cohort"))->not->toContain('Aster');
    expect($table->fresh()->asked()->filters)->toBe([]);
    $this->actingAs($at->world->people['coder'])
        ->put("/reviews/{$at->world->review->id}/synthesis/tables/{$table->id}?tried=1&columns[]=item:{$design}&with[]={$design}:cohort")
        ->assertRedirect();
    $at->at("/tables/{$table->id}")->assertSee('2 of the included studies')->assertDontSee('Keep it so');
});

it('takes only studies of the in-depth subset where it says so', function () {
    $at = tabled();
    $table = kept($at, ['columns' => everyColumn($at), 'subset' => 'in-depth']);
    $at->at("/tables/{$table->id}")->assertSee('3 of the included studies');
    $rule = ['item' => CodebookItem::query()->where('label', 'Design')->value('id'), 'answers' => ['cohort']];
    $at->world->review->update(['depth_rule' => [$rule], 'depth_follows' => true]);
    $at->at("/tables/{$table->id}")->assertSee('1 of the included studies')->assertSee('Birk A 2020')->assertDontSee('Aster A 2020');
});

it('gives a document, and refuses one that would be too long with the reason', function () {
    $at = tabled();
    $table = kept($at, ['columns' => everyColumn($at)]);
    $document = $at->at("/tables/{$table->id}.docx")->assertOk();
    expect(substr((string) $document->getContent() ?: AtTheDesk::bytes($document), 0, 2))->toBe('PK');
    config(['heron.document_answers' => 3]);
    test()->actingAs($at->world->people['coder'])
        ->from("/reviews/{$at->world->review->id}/synthesis/tables/{$table->id}")
        ->get("/reviews/{$at->world->review->id}/synthesis/tables/{$table->id}.docx")
        ->assertSessionHasErrors('document');
});

it('is for those of the review, and kept by those who may code', function () {
    $at = tabled();
    $table = kept($at, ['columns' => everyColumn($at)]);
    $at->at("/tables/{$table->id}", 'observer')->assertOk()->assertDontSee('Retire the table');
    $at->at("/tables/{$table->id}", 'outsider')->assertNotFound();
    $url = "/reviews/{$at->world->review->id}/synthesis/tables";
    $this->actingAs($at->world->people['observer'])->post($url, ['columns' => ['item:x']])->assertForbidden();
    $this->post("{$url}/{$table->id}/retire")->assertForbidden();
    $this->actingAs($at->world->people['coder'])->from($url)->post($url, ['columns' => []])->assertSessionHasErrors('columns');
    $this->post("{$url}/{$table->id}/retire")->assertRedirect($url);
    $at->at('/tables')->assertSee('No table is kept yet');
});

it('keeps standing when what it shows is gone', function () {
    $at = tabled();
    $table = kept($at, ['columns' => ['item:gone', 'outcome:gone', 'theme:gone'], 'groups' => 'gone', 'sort' => 'gone', 'with' => ['gone:x']]);
    $at->at("/tables/{$table->id}")->assertOk()->assertSee('No column is chosen');
    expect(csv($at, "{$table->id}.csv"))->toContain('Aster A 2020');
});
