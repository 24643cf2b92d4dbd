<?php

namespace Tests\Feature\Asking;

use App\Actions\Report\OpenReport;
use App\Models\AskedQuestion;
use App\Models\ReportClaim;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\Feature\Synthesis\AtSynthesis;

/** Two pooled studies with a result that has its words, an abstract each, and a page of a paper. */
function askable(): AtSynthesis
{
    $at = AtSynthesis::with('Aster', 'Birk');
    $at->counts('Aster', 7, 86, 15, 85, ['evidence' => ['e1' => [['quote' => '7 of 86 nurses made an error of dosing']]]]);
    $at->counts('Birk', 4, 40, 9, 41);
    $at->analysis();
    $birk = $at->world->publication('Lamps of Birk');
    DB::table('publications')->where('id', $birk->id)->update([
        'abstract' => $said = 'Glare was named by one nurse in eight. The lamps were mounted at eye level.',
        'words' => DB::raw('words_of('.DB::getPdo()->quote($said).')'),
    ]);
    $copy = strtolower((string) Str::ulid());
    DB::table('full_texts')->insert([
        'id' => $copy, 'review_id' => $at->world->review->id, 'publication_id' => $birk->id, 'hash' => str_repeat('a', 64), 'name' => 'birk.pdf',
        'bytes' => 1, 'origin' => 'added', 'user_id' => $at->world->people['lead']->id,
    ]);
    $text = 'Headache was told by three of the nurses. Nobody asked about glare.';
    DB::table('paper_pages')->insert([
        'review_id' => $at->world->review->id, 'full_text_id' => $copy, 'number' => 4, 'width' => 595, 'height' => 842, 'words' => '[]',
        'blocks' => json_encode([['kind' => 'heading', 'text' => 'Harms'], ['kind' => 'paragraph', 'text' => $text]]),
        'found_by' => DB::raw('words_of('.DB::getPdo()->quote($text).')'),
    ]);

    return $at;
}

function askIt(AtSynthesis $at, string $who, string $question, array $scope, array $more = []): AskedQuestion
{
    test()->actingAs($at->world->people[$who])
        ->post("/reviews/{$at->world->review->id}/ask", ['question' => $question, 'scope' => $scope, ...$more])
        ->assertRedirect();

    return AskedQuestion::query()->where('user_id', $at->world->people[$who]->id)->latest('id')->firstOrFail();
}

it('answers from what people took, from papers and from abstracts, each with its place', function () {
    $at = askable();
    $coded = askIt($at, 'anna', 'How many errors of dosing?', ['coded']);
    expect($coded->found['pieces'][0])
        ->toMatchArray(['kind' => 'result', 'quote' => '7 of 86 nurses made an error of dosing', 'confidence' => 'firm']);
    $texts = askIt($at, 'anna', 'Which nurses had headaches?', ['texts', 'abstracts']);
    expect(array_column($texts->found['pieces'], 'where'))->toBe(['page 4'])
        ->and($texts->found['pieces'][0]['quote'])->toBe('Headache was told by three of the nurses.');
    $glare = askIt($at, 'anna', 'Was there glare?', ['texts', 'abstracts']);
    expect(array_column($glare->found['pieces'], 'kind'))->toContain('text', 'abstract');
    $this->get("/reviews/{$at->world->review->id}/ask/{$glare->id}")->assertOk()
        ->assertSee('Glare was named by one nurse in eight.')
        ->assertSee('#find-Nobody%20asked%20about%20glare.', false)
        ->assertSee('nothing of it was written by machine');
});

it('counts what is asked the most of, and says how', function () {
    $at = askable();
    $asked = askIt($at, 'observer', 'Which finding has the most and the largest studies?', ['coded']);
    expect(array_column($asked->found['counted'], 'of'))->toBe(['most studies', 'most people'])
        ->and($asked->found['counted'][0]['rows'][0]['value'])->toBe('2 studies')
        ->and($asked->found['counted'][1]['rows'][0]['value'])->toBe('252 people');
    $this->get("/reviews/{$at->world->review->id}/ask/{$asked->id}")->assertSee('by how many studies they pool');
});

it('keeps questions for whoever asked, follows on with their scope, and only of the studies found', function () {
    $at = askable();
    $url = "/reviews/{$at->world->review->id}/ask";
    $first = askIt($at, 'anna', 'headache of nurses', ['texts']);
    $next = askIt($at, 'anna', 'dosing error', ['coded'], ['after' => $first->id, 'narrow' => 1]);
    expect($next->after_id)->toBe($first->id)
        ->and($next->only_of)->toBe([$at->world->publication('Lamps of Birk')->id])
        ->and($next->found['pieces'])->toBe([]);
    $this->get("{$url}/{$next->id}")->assertSee('headache of nurses')->assertSee('only of 1 study');
    $this->actingAs($at->world->people['lead'])->get("{$url}/{$first->id}")->assertNotFound();
    $this->get($url)->assertOk()->assertDontSee('headache of nurses');
    $this->delete("{$url}/{$first->id}")->assertRedirect();
    $theirs = askIt($at, 'lead', 'dosing error', ['coded'], ['after' => $first->id, 'narrow' => 1]);
    expect($theirs->after_id)->toBeNull()
        ->and($theirs->only_of)->toBeNull()
        ->and(AskedQuestion::query()->find($first->id))->not->toBeNull();
    $this->actingAs($at->world->people['anna'])->delete("{$url}/{$first->id}")->assertRedirect();
    expect(AskedQuestion::query()->find($first->id))->toBeNull();
    $this->actingAs($at->world->people['outsider'])->get($url)->assertNotFound();
});

it('says what is wrong with a question, and escapes what it answers', function () {
    $at = askable();
    $url = "/reviews/{$at->world->review->id}/ask";
    $this->actingAs($at->world->people['anna'])->post($url, ['question' => '', 'scope' => ['coded']])->assertSessionHasErrors('question');
    $this->post($url, ['question' => 'Glare?'])->assertSessionHasErrors('scope');
    $this->post($url, ['question' => 'Glare?', 'scope' => ['everything']])->assertSessionHasErrors('scope.0');
    foreach (["'); DROP TABLE x; --", '<script>alert(1)</script> & | ! :*', '?', str_repeat('é', 400)] as $question) {
        $asked = askIt($at, 'anna', $question, ['coded', 'texts', 'abstracts', 'report']);
        $this->get("{$url}/{$asked->id}")->assertOk()->assertDontSee('<script>alert', false);
    }
});

it('puts an answer into the report as a claim that rests on it, for who may write', function () {
    $at = askable();
    $url = "/reviews/{$at->world->review->id}/ask";
    $asked = askIt($at, 'coder', 'error of dosing', ['coded']);
    $this->post("{$url}/{$asked->id}/claim", ['piece' => 0])->assertSessionHasErrors('piece');
    app(OpenReport::class)->execute($at->world->people['lead'], $at->world->review);
    $to = $this->post("{$url}/{$asked->id}/claim", ['piece' => 0])->assertRedirect()->headers->get('Location');
    $claim = ReportClaim::query()->sole();
    expect($to)->toContain("#claim-{$claim->id}-")->and($claim->evidence[0]['quote'])->toBe('7 of 86 nurses made an error of dosing');
    $this->post("{$url}/{$asked->id}/claim", ['piece' => 99])->assertSessionHasErrors('piece');
    $theirs = askIt($at, 'observer', 'error of dosing', ['coded']);
    $this->post("{$url}/{$theirs->id}/claim", ['piece' => 0])->assertForbidden();
});
