<?php

namespace Tests\Feature\Scouting;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Team\CreateReview;
use App\Models\FurtherQuestion;
use App\Models\LogEntry;
use App\Models\ScoutedPaper;
use App\Models\Scouting;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Tests\Feature\Coding\AtTheDesk;
use Tests\Feature\Standin;
use Tests\Feature\World;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\Scouting\Answer\Direction;

const NAPS = [
    [
        'TI' => 'Planned naps of night nurses: a randomised trial',
        'AU' => 'Haldor, P',
        'AB' => 'METHODS: 120 nurses were randomised to a planned nap or to usual breaks. RESULTS: Sleepiness at 06:00 was 1.2 points lower with the nap than without it (95% CI 0.7 to 1.7). CONCLUSION: A planned nap leaves nurses less sleepy.',
    ],
    [
        'TI' => 'Naps and sleepiness in hospital nurses: a cohort',
        'AU' => 'Lund, R',
        'AB' => 'We followed 300 nurses on nights. Sleepiness did not differ between nurses who took a planned nap and those who did not (difference 0.1 points, 95% CI -0.3 to 0.5).',
    ],
    [
        'TI' => 'Letter about planned naps of night nurses: a randomised trial',
        'AU' => 'Zelen, K',
        'AB' => 'The trial by Haldor and colleagues of naps is welcome. The lamps were on in both arms, an error which the authors do not mention. Sleepiness in nurses was not blinded.',
    ],
    ['TI' => 'Raised nap of cotton blankets', 'AU' => 'Wool, C', 'AB' => 'We weighed dust from 40 blankets with a raised nap. Sleepiness was not measured.'],
];

const QUESTION = 'Does a planned nap during the night shift reduce sleepiness in nurses?';

function asked(World $world, string $question = QUESTION, array $sources = []): Scouting
{
    test()->actingAs($world->people['specialist'])
        ->post("/reviews/{$world->review->id}/scouting", ['question' => $question, 'sources' => $sources])
        ->assertSessionHasNoErrors();

    return Scouting::query()->where('review_id', $world->review->id)->orderByDesc('id')->firstOrFail();
}

function paperCalled(Scouting $scouting, string $title): ScoutedPaper
{
    return $scouting->papers()->get()->firstOrFail(fn (ScoutedPaper $one): bool => str_starts_with($one->reference()->title, $title));
}

it('answers a plain question from the library, each paper with its sentence, and changes nothing in the review', function () {
    $world = new World();
    $world->deliver(NAPS);
    $before = DB::table('publications')->count();
    $scouting = asked($world);

    expect(paperCalled($scouting, 'Planned naps')->direction)->toBe(Direction::Less)
        ->and(paperCalled($scouting, 'Naps and')->direction)->toBe(Direction::NoDifference)
        ->and(paperCalled($scouting, 'Raised')->sentence)->toBe('')
        ->and(DB::table('publications')->count())->toBe($before)
        ->and($world->review->knownItems()->count())->toBe(0);
    $this->get("/reviews/{$world->review->id}/scouting/{$scouting->id}")
        ->assertOk()
        ->assertSeeText('1.2 points lower with the nap')
        ->assertSeeText('Haldor 2020')
        ->assertSeeText('in the library')
        ->assertSeeText('Speaks against it: Letter about planned naps')
        ->assertSeeText('By how much: 1.2 points lower with the nap than without it (95% CI 0.7 to 1.7)')
        ->assertSeeText('Says otherwise (no difference, difference 0.1 points, 95% CI -0.3 to 0.5): Lund 2020')
        ->assertSeeText('Read, no answer');
    $this->get("/reviews/{$world->review->id}/scouting")->assertSeeText(QUESTION);
    expect(LogEntry::query()->where('action', 'scouting.asked')->count())->toBe(1);
});

it('asks the databases too, shows no paper twice, and says which does not answer', function () {
    Standin::answers();
    $world = new World();
    $scouting = asked($world, 'Does bright light at night reduce sleepiness in nurses?', ['alder', 'tern']);
    $titles = $scouting->papers()->get()->map(fn (ScoutedPaper $one): string => mb_strtolower(rtrim($one->reference()->title, '.')));

    expect($scouting->found['alder'])->toBeGreaterThan(0)
        ->and($scouting->papers()->where('sentence', '<>', '')->count())->toBeGreaterThan(3)
        ->and($titles->count())->toBe($titles->unique()->count());
    $this->getJson("/reviews/{$world->review->id}/scouting/{$scouting->id}/sharper")->assertOk();

    Standin::answers(fn ($request) => Http::response('', 503));
    $failing = asked($world, 'Does bright light at night reduce errors in nurses?', ['alder']);
    expect($failing->trouble)->toContain('Alder');
    $this->get("/reviews/{$world->review->id}/scouting/{$failing->id}")->assertOk()->assertSeeText($failing->trouble);
});

it('asks something more of every paper and orders and chooses by the answers', function () {
    $world = new World();
    $world->deliver(NAPS);
    $scouting = asked($world);
    $url = "/reviews/{$world->review->id}/scouting/{$scouting->id}";
    $this->post("{$url}/further", ['label' => 'How many nurses took part?'])->assertSessionHasNoErrors();
    $further = $scouting->furtherQuestions()->firstOrFail();

    $this->get("{$url}?by={$further->id}")->assertSeeTextInOrder(['How many nurses took part?', '120', '300']);
    $this->get("{$url}?by={$further->id}&says=300")->assertSeeText('Lund 2020')->assertDontSeeText('120');
    $this->post("{$url}/further", ['label' => 'how many nurses took part?']);
    expect($scouting->furtherQuestions()->count())->toBe(1);
    $this->delete("{$url}/further/{$further->id}");
    expect(DB::table('further_answers')->count())->toBe(0);
});

it('asks an item of the codebook as a further question', function () {
    $world = new World();
    $world->deliver(NAPS);
    app(ChangeCodebook::class)->addAll($world->people['lead'], $world->review, [AtTheDesk::asked('Number of participants')]);
    $scouting = asked($world);
    $item = AtTheDesk::itemOf($world, 'Number of participants');
    $url = "/reviews/{$world->review->id}/scouting/{$scouting->id}";
    $this->post("{$url}/further", ['item' => $item])->assertSessionHasNoErrors();
    $further = $scouting->furtherQuestions()->sole();

    expect([$further->label, $further->code_id])->toBe(['Number of participants', $item])
        ->and(DB::table('further_answers')->where('value', '<>', '')->pluck('value')->sort()->values()->all())->toBe(['120', '300']);
    $elsewhere = AtTheDesk::elsewhere($world);
    $this->post("/reviews/{$elsewhere->id}/scouting/{$scouting->id}/further", ['item' => $item])->assertNotFound();
});

it('puts the newest first on wish', function () {
    $world = new World();
    $dated = fn (array $record, int $year): array => [...$record, 'PY' => (string) $year];
    $world->deliver(array_map($dated, array_slice(NAPS, 0, 2), [2004, 2019]));
    $scouting = asked($world);
    $url = "/reviews/{$world->review->id}/scouting/{$scouting->id}";

    $this->get("{$url}?by=newest")->assertSeeTextInOrder(['Lund 2019', 'Haldor 2004']);
    $this->get($url)->assertSeeTextInOrder(['Haldor 2004', 'Lund 2019']);
});

it('keeps out what was thrown out when it is asked again, and tells what is new', function () {
    $world = new World();
    $world->deliver(array_slice(NAPS, 0, 2));
    $scouting = asked($world);
    $url = "/reviews/{$world->review->id}/scouting/{$scouting->id}";
    $cohort = paperCalled($scouting, 'Naps and');
    $this->put("{$url}/papers/{$cohort->id}", ['out' => 1]);
    $this->get($url)->assertSeeText('Thrown out: 1')->assertDontSeeText('did not differ between nurses who took');

    $this->travel(1)->hours();
    $world->deliver([[
        'TI' => 'Sleepiness after planned naps in midwives',
        'AU' => 'Orlo, M',
        'AB' => 'In 90 nurses a planned nap reduced sleepiness by 0.8 points (95% CI 0.2 to 1.4).',
    ]]);
    $this->actingAs($world->people['specialist'])->post("{$url}/again");
    $this->get($url)->assertSeeText('1 new')->assertSeeText('Orlo 2020')->assertDontSeeText('did not differ between nurses who took');
    $this->put("{$url}/papers/{$cohort->id}", ['out' => 0]);
    $this->get($url)->assertSeeText('did not differ between nurses who took');
});

it('counts what papers say over all of them, not over those on the page', function () {
    $world = new World();
    $wards = ['surgery', 'oncology', 'cardiology', 'dialysis', 'paediatrics', 'maternity', 'neurology', 'psychiatry', 'burns', 'geriatrics', 'urology', 'hospice'];
    $world->deliver(array_map(fn (string $ward, int $at): array => [
        'TI' => "Planned naps of nurses in {$ward}",
        'AU' => ucfirst($ward).', A',
        'AB' => "RESULTS: In {$ward} sleepiness at 06:00 was 1.{$at} points lower with the planned nap than without it (95% CI 0.7 to 2.7).",
    ], $wards, array_keys($wards)));
    $scouting = asked($world);

    $this->get("/reviews/{$world->review->id}/scouting/{$scouting->id}")
        ->assertSeeTextInOrder(['Less sleepiness', '12 papers, 10 shown']);
    $this->get("/reviews/{$world->review->id}/scouting/{$scouting->id}?shown=20")
        ->assertSeeText('12 papers')
        ->assertDontSeeText('12 papers,');
});

it('takes what was found along: as a table that updates itself, as references, as known items, as a strategy', function () {
    $world = new World();
    $world->deliver(NAPS);
    $scouting = asked($world);
    $url = "/reviews/{$world->review->id}/scouting/{$scouting->id}";
    $table = fn (): array => array_map(
        fn (string $line): string => str_getcsv($line, escape: '')[0],
        array_filter(explode("\r\n", file_get_contents($this->get("{$url}/papers.csv")->assertOk()->getFile()->getPathname()))),
    );
    $keys = $table();
    $told = (string) file_get_contents($this->get("{$url}/papers.csv")->getFile()->getPathname());
    expect($told)->toContain(',by how much,')->toContain(',"difference 0.1 points, 95% CI -0.3 to 0.5",');
    expect(count($keys))->toBeGreaterThan(2)->and($keys)->toBe(array_unique($keys));
    $this->post("{$url}/again");
    expect($table())->toBe($keys);
    foreach (['xlsx', 'ris', 'bibtex'] as $format) {
        $this->get("{$url}/papers.{$format}")->assertOk();
    }
    $named = fn (string $kind): string => (string) file_get_contents($this->get("{$url}/named/{$kind}/csv")->assertOk()->getFile()->getPathname());
    expect($named('intervention'))->toContain('planned nap')->and($named('instrument'))->toContain('definition');
    $this->get("{$url}/named/colour/csv")->assertNotFound();
    $this->post("{$url}/known")->assertSessionHas('notice');
    $this->post("{$url}/known")->assertSessionHas('notice', 'All of them are known items already.');
    expect($world->review->knownItems()->pluck('title')->all())->toContain(NAPS[0]['TI']);
    $this->post("{$url}/delivery")->assertSessionHas('problem', 'All of them are in the library already.');
});

it('reads the full text that the review has where the abstract does not answer, and says on which page', function () {
    $world = new World();
    $world->deliver([['TI' => 'Bed lamps', 'AB' => 'Bed lamps were tried on nurses at night. Sleepiness was recorded.']]);
    AtTheDesk::copy(
        $world,
        'Bed lamps',
        'Results',
        'All 40 nurses finished. Sleepiness was 0.9 points lower with bed lamps than without them (95% CI 0.2 to 1.6).',
    );
    $scouting = asked($world, 'Do bed lamps reduce sleepiness in nurses?');
    $paper = paperCalled($scouting, 'Bed lamps');

    expect([$paper->sentence, $paper->page, $paper->direction, $paper->confidence->value])->toBe([
        'Sleepiness was 0.9 points lower with bed lamps than without them (95% CI 0.2 to 1.6).', 1, Direction::Less, 'fair',
    ]);
    $this->get("/reviews/{$world->review->id}/scouting/{$scouting->id}")->assertSeeText('full text, page 1');
});

it('lets observers read and only searchers ask', function () {
    $world = new World();
    $world->deliver(NAPS);
    $scouting = asked($world);
    $url = "/reviews/{$world->review->id}/scouting";
    $this->actingAs($world->people['observer'])
        ->get("{$url}/{$scouting->id}")
        ->assertOk()
        ->assertDontSeeText('Throw out')
        ->assertDontSee('Ask them something more');
    $this->post($url, ['question' => QUESTION])->assertForbidden();
    $this->put("{$url}/{$scouting->id}/papers/".paperCalled($scouting, 'Naps')->id, ['out' => 1])->assertForbidden();
});

it('says so where a question names nothing, and takes only questions of its own review', function () {
    $world = new World();
    $url = "/reviews/{$world->review->id}/scouting";
    $this->actingAs($world->people['lead'])->post($url, ['question' => 'What is it?'])->assertSessionHas('problem');
    expect(Scouting::query()->count())->toBe(0);
    $scouting = asked($world);
    $other = app(CreateReview::class)->execute($world->people['lead'], 'Another', '');
    $this->actingAs($world->people['lead'])->get("/reviews/{$other->id}/scouting/{$scouting->id}")->assertNotFound();
});

it('takes the papers by a recipe kept for any question, and the second time only what changed', function () {
    $world = new World();
    $world->deliver(NAPS);
    $scouting = asked($world);
    $url = "/reviews/{$world->review->id}/scouting/{$scouting->id}/recipes";
    $this->post($url, ['name' => 'Mine', 'format' => 'csv', 'columns' => "key = id\ntitle = Paper\ndirection = Says\nchange"])->assertSessionHasNoErrors();
    $recipe = $world->review->recipes()->sole();
    $take = function (Scouting $of, array $with = []) use ($world, $recipe): array {
        $file = $this->post("/reviews/{$world->review->id}/scouting/{$of->id}/recipes/{$recipe->id}", $with)->assertOk()->baseResponse->getFile();

        return array_map(fn (string $line): array => str_getcsv($line, ',', '"', ''), explode("\r\n", trim((string) file_get_contents($file->getPathname()), "\xEF\xBB\xBF\r\n")));
    };
    $rows = $take($scouting);
    expect($rows[0])->toBe(['id', 'Paper', 'Says', 'change'])
        ->and(array_unique(array_column(array_slice($rows, 1), 3)))->toBe(['new'])
        ->and($take($scouting, ['changed' => 1]))->toHaveCount(1);
    paperCalled($scouting, 'Naps and')->update(['direction' => Direction::Mixed]);
    expect(array_column($take($scouting, ['changed' => 1]), 2))->toBe(['Says', 'mixed']);
    // the same papers of another question are rows of their own
    $other = asked($world, 'Do naps change the sleepiness of nurses?');
    expect(count($take($other, ['changed' => 1])))->toBeGreaterThan(1);
});

it('asks something more of those shown only, and of the others when told to', function () {
    $world = new World();
    $world->deliver(NAPS);
    $scouting = asked($world);
    $url = "/reviews/{$world->review->id}/scouting/{$scouting->id}";
    $this->post("{$url}/further?direction=less", ['label' => 'How many nurses took part?', 'of' => 'shown'])->assertSessionHasNoErrors();
    $asked = fn (): array => DB::table('further_answers')->pluck('scouted_paper_id')->all();

    expect($asked())->toBe([paperCalled($scouting, 'Planned naps')->id]);
    $this->get($url)->assertSeeText('of 1 asked');
    $this->post("{$url}/further/{$scouting->furtherQuestions()->sole()->id}")->assertSessionHas('notice');
    expect(count($asked()))->toBe($scouting->papers()->where('sentence', '<>', '')->count())
        ->and(count($asked()))->toBeGreaterThan(1);
});

it('makes an item of the codebook of a further question, and leads to its answers from what is included', function () {
    $world = AtTheDesk::coded();
    $scouting = asked($world, 'Does bright light reduce sleepiness in nurses?');
    $question = FurtherQuestion::query()->create([
        'review_id' => $world->review->id,
        'scouting_id' => $scouting->id,
        'label' => 'How many lux were used?',
        'asked_by' => $world->people['specialist']->id,
    ]);
    $at = "/reviews/{$world->review->id}/scouting/{$scouting->id}/further/{$question->id}/codebook";
    $as = fn (string $who) => $this->actingAs($world->people[$who])->post($at);

    // coders have leads read, and do not change the codebook
    $as('coder')->assertForbidden();
    $as('observer')->assertForbidden();
    expect($world->review->codes()->where('label', $question->label)->exists())->toBeFalse();
    $as('lead')->assertSessionHas('notice');
    $item = $world->review->codes()->where('label', $question->label)->sole();
    expect($item->type)->toBe(CodeType::Number)->and($question->refresh()->code_id)->toBe($item->id);
    $before = DB::table('answers')->count();
    $world->publication('Lamps of Dorn')->update(['abstract' => 'Desks had lamps of 2500 lux. People slept well.']);
    $as('coder')->assertSessionHas('notice');
    $values = DB::table('leads')->where('code_id', $item->id)->whereNotNull('value')->pluck('value')->map(json_decode(...))->all();

    expect($values)->toContain(2500)->and(DB::table('answers')->count())->toBe($before);
    $world->review->codes()->whereKey($item->id)->update(['retired_at' => now()]);
    $as('coder')->assertSessionMissing('notice');
});
