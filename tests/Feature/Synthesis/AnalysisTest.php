<?php

namespace Tests\Feature\Synthesis;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\SaveAnswer;
use App\Actions\FullTexts\LinkReports;
use App\Models\CodebookItem;
use App\Models\KeptAnalysis;
use App\Queries\Coding\AnswerSlot;
use Illuminate\Testing\TestResponse;
use Tests\Feature\Coding\AtTheDesk;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\Synthesis\Choice\TimeWindow;

it('pools by every model as the worked example has it', function (string $by, string $interval, string $shown) {
    $at = AtSynthesis::fiveStudies();
    $analysis = $at->analysis(['by' => $by, 'interval' => $interval]);
    $at->at("/analyses/{$analysis->id}")->assertOk()->assertSee($shown, false)->assertSee('5 studies, 1,554 people');
})->with([
    // exp of the estimates and limits that the example prints
    'common effect' => ['common', 'z', '0.60 (0.47–0.77)'],
    'DerSimonian-Laird' => ['DL', 'z', '0.60 (0.44–0.81)'],
    'Hartung-Knapp' => ['DL', 'hk', '0.60 (0.39–0.92)'],
    'REML' => ['REML', 'z', '0.60 (0.44–0.81)'],
    'Mantel-Haenszel' => ['MH', 'z', '0.60 (0.47–0.76)'],
]);

it('tries terms without saving them, keeps them when told to, and leaves a study out to see', function () {
    $at = AtSynthesis::fiveStudies();
    $analysis = $at->analysis();
    $to = "/analyses/{$analysis->id}";
    $dorn = $at->world->publication('Lamps of Dorn')->id;
    $at->at("{$to}?tried=1&measure=RR&hidden[]={$dorn}")->assertSee('Terms are being tried')->assertSee('(left out)')->assertSee('4 studies');
    $at->at($to)->assertDontSee('Terms are being tried')->assertSee('5 studies');
    $this->actingAs($at->world->people['observer'])->put("/reviews/{$at->world->review->id}/synthesis{$to}", ['tried' => 1])->assertForbidden();
    $this->actingAs($at->world->people['coder'])
        ->put("/reviews/{$at->world->review->id}/synthesis{$to}", ['tried' => 1, 'measure' => 'OR', 'by' => 'MH', 'outcome' => 'forged'])
        ->assertRedirect();
    $kept = KeptAnalysis::query()->sole()->asked();
    expect([$kept->measure->value, $kept->by->value, $kept->outcome])->toBe(['OR', 'MH', $at->misses->id]);
});

it('leads from a study back to its words, its decision and its record', function () {
    $at = AtSynthesis::with('Aster', 'Birk');
    $at->counts('Aster', 7, 86, 15, 85, ['evidence' => ['e1' => [['quote' => 'told by 7 of 86']]], 'days' => 28]);
    $at->counts('Birk', 9, 80, 12, 84);
    $analysis = $at->analysis();
    $key = $at->world->publication('Lamps of Aster')->id;
    $at->at("/analyses/{$analysis->id}?study={$key}")
        ->assertSeeText(['Where Aster A 2020 comes from', 'told by 7 of 86', 'taken by Cleo Varga', 'Included at', 'Tern Abstracts', 'Near misses in the night']);
});

it('says which of several results of a study it takes, and counts nobody twice', function () {
    $at = AtSynthesis::with('Aster', 'Birk');
    $at->counts('Aster', 7, 86, 15, 85, ['days' => 7]);
    $at->counts('Aster', 9, 80, 16, 82, ['days' => 28]);
    $at->counts('Birk', 4, 30, 10, 60, ['own1' => 'ward lamps']);
    $at->counts('Birk', 5, 32, 10, 60, ['own1' => 'glasses']);
    $analysis = $at->analysis();
    $at->at("/analyses/{$analysis->id}")
        ->assertSee('day 28 is taken, the latest')
        ->assertSee('2 groups against one comparator, taken together')
        ->assertSee('9/62')
        ->assertSee('2 studies, 284 people');
    $at->at("/analyses/{$analysis->id}?tried=1&measure=RR&nearest=10&several=split")
        ->assertSee('day 7 is taken, nearest to day 10')
        ->assertSee('Birk A 2020, glasses')
        ->assertSee('5/30');
});

it('takes results of a window of time that the outcome has a name for', function () {
    $at = AtSynthesis::with('Aster', 'Birk');
    $at->counts('Aster', 8, 50, 12, 50, ['days' => 7]);
    $at->counts('Aster', 9, 50, 12, 50, ['days' => 200]);
    $at->counts('Birk', 4, 60, 10, 60, ['days' => 28]);
    $to = "/reviews/{$at->world->review->id}/synthesis/outcomes/{$at->misses->id}";
    $change = fn (string $windows): TestResponse => $this->actingAs($at->world->people['lead'])
        ->put($to, ['name' => 'Near misses', 'windows' => $windows]);
    $change("first month; 0 to 30\nlater; from 1 month")->assertSessionHasNoErrors();
    $change('soon')->assertSessionHasErrors('windows');
    expect($at->misses->refresh()->timeWindows())->toEqual([new TimeWindow('first month', 0, 30), new TimeWindow('later', 30, null)]);
    $analysis = "/analyses/{$at->analysis()->id}";
    $at->at("{$analysis}?tried=1&measure=RR&window=0&window_was=")->assertSee('8/50')->assertSee('2 studies');
    $at->at("{$analysis}?tried=1&measure=RR&window=1&window_was=0&from=0&to=30")->assertSee('9/50')->assertDontSee('8/50');
    // what is typed beside the window that stood there is meant
    $at->at("{$analysis}?tried=1&measure=RR&window=0&window_was=0&from=100&to=300")->assertSee('9/50')->assertDontSee('8/50');
});

it('pools subgroups by what the codebook says, and only studies that say so', function () {
    $at = AtSynthesis::fiveStudies();
    app(ChangeCodebook::class)->addAll($at->world->people['lead'], $at->world->review, [AtTheDesk::asked('Light', CodeType::Choice)]);
    $code = CodebookItem::query()->where('label', 'Light')->sole();
    foreach (['Aster' => 'lamp', 'Birk' => 'lamp', 'Cole' => 'window', 'Dorn' => 'window'] as $name => $light) {
        $slot = new AnswerSlot($at->world->publication("Lamps of {$name}"), $code);
        app(SaveAnswer::class)->execute($at->world->people['coder'], $slot, new GivenAnswer($light));
    }
    $analysis = $at->analysis(['groups' => $code->id]);
    $at->at("/analyses/{$analysis->id}")->assertSeeInOrder(['Lamp, 2 pooled', 'not coded', 'Window, 2 pooled'])
        ->assertSee('Between the groups: Q');
    $at->at("/analyses/{$analysis->id}?tried=1&measure=RR&only={$code->id}&answers[]=lamp")->assertSee('2 studies, 300 people');
});

it('gives pictures and data as they are shown, and takes in what comes later', function () {
    $at = AtSynthesis::fiveStudies();
    $analysis = $at->analysis();
    $svg = $at->at("/analyses/{$analysis->id}/forest.svg")->assertOk()->assertHeader('Content-Type', 'image/svg+xml')->getContent();
    expect((new \DOMDocument())->loadXML($svg))->toBeTrue()->and(substr_count($svg, 'class="plot-box"'))->toBe(5);
    expect(substr($at->at("/analyses/{$analysis->id}/forest.png")->getContent(), 1, 3))->toBe('PNG');
    $csv = file_get_contents($at->at("/analyses/{$analysis->id}/data.csv")->assertOk()->baseResponse->getFile()->getPathname());
    expect(substr_count($csv, "\r\n"))->toBe(7)->and($csv)->toContain('Aster A 2020', '-0.673344');
    $at->at("/analyses/{$analysis->id}/forest.svg", 'outsider')->assertNotFound();
    $at->counts('Aster', 1, 50, 2, 50, ['days' => 400]);
    $at->at("/analyses/{$analysis->id}")->assertSee('5 studies, 1,452 people');
    $at->at('/analyses')->assertSee('Near misses in the night')->assertSee('5 studies');
});

it('regresses on a number of the codebook or the year, of the studies that have it', function () {
    $at = AtSynthesis::fiveStudies();
    app(ChangeCodebook::class)->addAll($at->world->people['lead'], $at->world->review, [AtTheDesk::asked('Lux')]);
    $code = CodebookItem::query()->where('label', 'Lux')->sole();
    foreach (['Aster' => '900', 'Birk' => '300', 'Cole' => '2500', 'Esch' => '700'] as $name => $lux) {
        $slot = new AnswerSlot($at->world->publication("Lamps of {$name}"), $code);
        app(SaveAnswer::class)->execute($at->world->people['coder'], $slot, new GivenAnswer($lux));
    }
    $to = "/analyses/{$at->analysis()->id}";
    $at->at("{$to}?tried=1&measure=RR&moderators[]={$code->id}")
        ->assertSee('Regression on Lux')
        ->assertSee('4 studies, on the scale of logs')
        ->assertSee('Without a number, and so not in it: Dorn A 2020');
    expect($at->at("{$to}/regression.svg?tried=1&measure=RR&moderators[]={$code->id}")->assertOk()->getContent())->toContain('by Lux');
    // all of one year: no line can be drawn
    $at->at("{$to}?tried=1&measure=RR&moderators[]=year")->assertSee('or all have the same');
    $at->at("{$to}/regression.svg?tried=1&measure=RR&moderators[]=year")->assertNotFound();
});

it('finds what the codebook says of a study though its results are of another report', function () {
    $at = AtSynthesis::with('Aster', 'Birk', 'Cole');
    app(ChangeCodebook::class)->addAll($at->world->people['lead'], $at->world->review, [AtTheDesk::asked('Light', CodeType::Choice)]);
    $code = CodebookItem::query()->where('label', 'Light')->sole();
    $slot = new AnswerSlot($at->world->publication('Lamps of Aster'), $code);
    app(SaveAnswer::class)->execute($at->world->people['coder'], $slot, new GivenAnswer('lamp'));
    $at->counts('Birk', 4, 60, 10, 60);
    $at->counts('Cole', 6, 60, 10, 60);
    app(LinkReports::class)->execute($at->world->people['lead'], $at->world->review, [
        $at->world->publication('Lamps of Aster')->id, $at->world->publication('Lamps of Birk')->id,
    ]);
    $page = "/analyses/{$at->analysis()->id}?tried=1&measure=RR";
    $at->at("{$page}&only={$code->id}&answers[]=lamp")->assertSee('4/60')->assertDontSee('6/60');
    // marked by the same item, the study that nobody judged by a dash
    $at->at("{$page}&marks={$code->id}")->assertSee('Marks: Light, the fuller the worse')->assertSee('map-ring', false);
});
