<?php

namespace Tests\Feature\Synthesis;

use App\Actions\Coding\ChangeCodebook;
use App\Models\CodebookItem;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;

it('shows how studies were judged, by the items that judge or those that are ticked, and gives files', function () {
    $at = AtSynthesis::with('Aster', 'Birk', 'Cole');
    $review = $at->world->review;
    app(ChangeCodebook::class)->addAll($at->world->people['lead'], $review, [
        new Entry('a', 'Risk of bias: missing results', new Code(CodeType::Choice, ['Low', 'Some concern', 'High'])),
        new Entry('b', 'Lamp', new Code(CodeType::Choice, ['desk', 'ceiling'])),
        new Entry('c', 'Country', new Code(CodeType::Text)),
    ]);
    $answer = function (string $title, string $label, string $value) use ($at, $review): void {
        $code = CodebookItem::query()->where('label', $label)->sole();
        $this->actingAs($at->world->people['lead'])
            ->putJson("/reviews/{$review->id}/coding/{$at->world->publication($title)->id}/{$code->id}", ['value' => $value])
            ->assertOk();
    };
    $at->at('/soundness')->assertOk()->assertSee('Nothing is judged yet');
    $answer('Lamps of Aster', 'Risk of bias: missing results', 'High');
    $answer('Lamps of Birk', 'Risk of bias: missing results', 'Low');
    $answer('Lamps of Birk', 'Lamp', 'desk');
    $at->at('/soundness')->assertSeeText('2 studies judged')->assertSee('Aster A 2020. missing results: High')->assertDontSee('Lamp: desk');
    $lamp = CodebookItem::query()->where('label', 'Lamp')->value('id');
    $at->at("/soundness?items[]={$lamp}")->assertSee('Birk A 2020. Lamp: desk')->assertDontSee('Aster A 2020. ');
    expect(file_get_contents($at->at('/soundness.csv')->assertOk()->baseResponse->getFile()->getPathname()))->toContain("Aster A 2020,High\r\nBirk A 2020,Low")
        ->and((new \DOMDocument())->loadXML($at->at('/soundness.svg')->getContent()))->toBeTrue();
    $at->at('/soundness', 'outsider')->assertNotFound();
});
