<?php

namespace Tests\Feature\Drafting;

use App\Actions\Report\OpenReport;
use App\Jobs\Drafting\MakeDraft;
use App\Models\Draft;
use App\Models\FullText;
use App\Models\LogEntry;
use App\Models\ReportClaim;
use App\Models\ScoutedPaper;
use App\Queries\Drafting\DraftRecords;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Storage;
use Tests\Feature\FullTexts\Sought;
use Tests\Feature\World;
use WaryHeron\Core\Drafting\CriterionKind;

const LIT_NIGHTS = [
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
        'TI' => 'Planned naps and sleepiness of nurses at night: protocol of a trial',
        'AU' => 'Varga, T',
        'AB' => 'Forty nurses will be randomised to a planned nap or to none. Sleepiness will be measured at six. Recruitment has started.',
    ],
    [
        'TI' => 'Raised nap of cotton blankets',
        'AU' => 'Wool, C',
        'AB' => 'We weighed dust from 40 blankets with a raised nap. Sleepiness was not measured.',
    ],
];

function drafted(World $world): Draft
{
    $world->deliver(LIT_NIGHTS);
    test()->actingAs($world->people['specialist'])
        ->post(
            "/reviews/{$world->review->id}/scouting",
            ['question' => 'Does a planned nap reduce sleepiness in nurses?', 'sources' => [], 'draft' => 1],
        )
        ->assertSessionHasNoErrors();

    return Draft::query()->where('review_id', $world->review->id)->sole();
}

function draftUrl(Draft $draft, string $more = ''): string
{
    return "/reviews/{$draft->review_id}/drafts/{$draft->id}{$more}";
}

/** @return list<string> names of the first authors of those that fit */
function fitting(Draft $draft): array
{
    return DraftRecords::papers($draft)
        ->filter(fn (ScoutedPaper $one): bool => (bool) $one->getAttribute('is_in'))
        ->map(fn (ScoutedPaper $one): string => $one->reference()->firstFamily())
        ->values()
        ->all();
}

function criterionOf(Draft $draft, CriterionKind $kind): string
{
    return $draft->criteria()->where('kind', $kind)->sole()->id;
}

function paperBy(Draft $draft, string $author): string
{
    return DB::table('scouted_papers')->where('scouting_id', $draft->scouting_id)->whereRaw('reference::text LIKE ?', ["%{$author}%"])->value('id');
}

it('goes from a question to a text whose claims rest on quotes, and changes nothing in the review', function () {
    $world = new World();
    $draft = drafted($world);
    $before = DB::table('criteria')->count();

    expect(fitting($draft))->toEqualCanonicalizing(['Haldor', 'Lund'])
        ->and($draft->ran_at)->not->toBeNull()
        ->and($world->review->criteria()->count())->toBe($before)
        ->and($world->review->codes()->count())->toBe(0);
    $this->get(draftUrl($draft))
        ->assertOk()
        ->assertSeeText('Of 2 papers with an answer on “sleepiness”, 1 reports less of it and 1 reports no difference.')
        ->assertSeeText('“Sleepiness at 06:00 was 1.2 points lower with the nap than without it (95% CI 0.7 to 1.7).”')
        ->assertSeeText('No person has confirmed or changed any of this yet.');
    $this->get(draftUrl($draft, '?step=papers&only=out'))->assertSeeText('Varga 2020')->assertSeeText('it speaks of itself as a protocol');
    $this->get(draftUrl($draft, '?step=items'))->assertSeeText('People who took part')->assertSeeText('120');
    expect($world->people['specialist']->notifications()->where('data->kind', 'draft')->count())->toBe(1);
});

it('works out only what follows from a change, and says what it changed', function () {
    $draft = drafted(new World());
    $own = criterionOf($draft, CriterionKind::OwnFindings);
    DB::table('draft_answers')->update(['reason' => 'as it was']);

    $this->put(draftUrl($draft, "/criteria/{$own}"), ['on' => 0])->assertSessionHasNoErrors();
    expect(fitting($draft))->toContain('Varga')
        ->and(DB::table('draft_answers')->where('reason', '<>', 'as it was')->count())->toBe(0)
        ->and($draft->refresh()->changes[0])->toBe('1 more paper meets the criteria');

    $people = criterionOf($draft, CriterionKind::People);
    $this->put(draftUrl($draft, "/criteria/{$people}"), ['words' => 'doctors']);
    expect(DB::table('draft_answers')->where('reason', '<>', 'as it was')->distinct()->pluck('draft_criterion_id')->all())->toBe([$people])
        ->and($draft->refresh()->criteria()->find($people)->words)->toBe('doctors');
    $this->get(draftUrl($draft, '?step=criteria'))->assertSeeText('Did it study “doctors”?')->assertSeeText('changed by a person');
});

it('lets people overrule an answer and a paper, and goes back to the machine’s where they take it back', function () {
    $draft = drafted(new World());
    $about = criterionOf($draft, CriterionKind::About);
    $paper = paperBy($draft, 'Haldor');

    $this->put(draftUrl($draft, "/criteria/{$about}/{$paper}"), ['answer' => 'no']);
    expect(fitting($draft))->toBe(['Lund']);
    $this->put(draftUrl($draft, "/papers/{$paper}"), ['ruling' => 'in']);
    expect(fitting($draft))->toContain('Haldor');
    $this->put(draftUrl($draft, "/papers/{$paper}"), ['ruling' => null]);
    $this->put(draftUrl($draft, "/criteria/{$about}/{$paper}"), ['answer' => null]);
    expect(fitting($draft))->toContain('Haldor');
    $this->get(draftUrl($draft))->assertSeeText('No person has confirmed or changed');
    $this->put(draftUrl($draft, "/papers/{$paper}"), ['ruling' => 'out']);
    $this->get(draftUrl($draft))->assertSeeText('People changed 1 criterion, paper or item')->assertSeeText(
        'Of 1 paper with an answer on “sleepiness”, 1 reports no difference.',
    );
    $this->put(draftUrl($draft, "/papers/{$paper}"), ['ruling' => 'perhaps'])->assertSessionHasErrors('ruling');
});

it('asks the papers more, and leaves what was read as it is', function () {
    $draft = drafted(new World());
    DB::table('draft_leads')->update(['reason' => 'as it was']);
    $this->post(draftUrl($draft, '/items'), ['label' => 'How long was the nap?'])->assertSessionHasNoErrors();
    $item = $draft->items()->orderByDesc('position')->first();
    expect($draft->items()->whereNotNull('changed_by')->count())->toBe(1);
    $this->put(draftUrl($draft, "/items/{$draft->items()->firstWhere('name', 'funding')->id}"), ['on' => 0]);
    $this->get(draftUrl($draft, '?step=items'))->assertSeeText('How long was the nap')->assertSeeText('no longer asked');
    $this->post(draftUrl($draft, '/items'), ['label' => ''])->assertSessionHasErrors('label');
});

it('is taken over step by step: a criterion, an item, papers, a section with its claims', function () {
    $world = new World();
    $draft = drafted($world);
    $this->actingAs($world->people['lead']);
    $this->post(draftUrl($draft, '/criteria/'.criterionOf($draft, CriterionKind::People).'/taken'))->assertSessionHasNoErrors();
    expect($world->review->criteria()->pluck('question')->all())->toContain('Did it study “nurses”?');
    $this->post(draftUrl($draft, '/criteria/'.criterionOf($draft, CriterionKind::People).'/taken'))->assertSessionHas('problem');
    $this->post(draftUrl($draft, '/items/'.$draft->items()->firstWhere('name', 'design')->id.'/taken'))->assertSessionHasNoErrors();
    expect($world->review->codes()->sole()->options)->toContain('Cohort study');
    $this->post(draftUrl($draft, '/papers/taken'))->assertSessionHas('notice', 'All of them are in the library already.');

    $this->post(draftUrl($draft, '/sections/summary/taken'))->assertSessionHas('problem');
    app(OpenReport::class)->execute($world->people['lead'], $world->review);
    $taken = $this->postJson(draftUrl($draft, '/sections/summary/taken'))->assertOk()->json();
    $marks = collect($taken['paragraphs'][0]['content'])->pluck('marks.0.attrs.id')->filter()->values();
    $claims = ReportClaim::query()->whereIn('id', $marks)->get();
    expect($taken['place'])->toBe('title')->and($claims)->toHaveCount(2)
        ->and($claims[0]->evidence[0]['quote'])->toContain('Sleepiness')
        ->and(LogEntry::query()->where('action', 'draft.taken')->count())->toBe(3 + 1);
    // the paper is thrown out of what was scouted: the claim says so
    DB::table('scouted_papers')->update(['thrown_out_at' => now()]);
    expect($this->getJson("/reviews/{$world->review->id}/report/text/standing")->assertOk()->json("claims.{$marks[0]}.problem"))->toContain('is gone');
});

it('takes papers that the library does not have as a delivery, ten at most, and none twice', function () {
    $world = new World();
    $draft = drafted($world);
    DB::table('scouted_papers')->update(['publication_id' => null]);
    $this->actingAs($world->people['lead'])->post(draftUrl($draft, '/papers/taken'))->assertRedirect();
    expect($world->review->deliveries()->orderByDesc('id')->first()->source_name)->toBe('First draft');
    $this->post(draftUrl($draft, '/papers/taken'))->assertSessionHas('problem');
});

it('is for those who may search to change, for all of the team to read, and for nobody else', function () {
    $world = new World();
    $draft = drafted($world);
    $this->actingAs($world->people['observer'])->get(draftUrl($draft))->assertOk()->assertDontSeeText('Go further');
    $this->post(draftUrl($draft, '/more'), ['what' => 'abstracts'])->assertForbidden();
    $this->post(draftUrl($draft, '/papers/taken'))->assertForbidden();
    $this->actingAs($world->people['outsider'])->get(draftUrl($draft))->assertNotFound();
});

it('takes in a change that comes while it works', function () {
    $draft = drafted(new World());
    Queue::fake();
    $this->post(draftUrl($draft, '/more'), ['what' => 'again']);
    $this->post(draftUrl($draft, '/more'), ['what' => 'texts']);
    Queue::assertPushed(MakeDraft::class, 1);
    expect($draft->refresh()->revision)->toBeGreaterThan(2);
});

it('reads a PDF that is added to a paper, and is made again with it', function () {
    Storage::fake();
    $draft = drafted($world = World::readingInFull());
    $revision = $draft->revision;
    $paper = paperBy($draft, 'Haldor');
    $pdf = Sought::pdf(
        'haldor.pdf',
        'Methods',
        'The setting was one acute ward of Brindle Vale Hospital.',
        'We analysed 97 nurses of the 120.',
    );
    $this->get(draftUrl($draft, '?step=papers'))->assertSeeText('Add its PDF');
    $this->actingAs($world->people['observer'])
        ->post(draftUrl($draft, "/papers/{$paper}/pdf"), ['file' => $pdf])
        ->assertForbidden();
    $this->actingAs($world->people['specialist'])
        ->post(draftUrl($draft, "/papers/{$paper}/pdf"), [])
        ->assertSessionHasErrors('file');
    $this->post(draftUrl($draft, "/papers/{$paper}/pdf"), ['file' => $pdf])->assertSessionHasNoErrors()->assertRedirect();
    $copy = FullText::query()->sole();
    expect($copy->publication?->first_author)->toContain('haldor')
        ->and($draft->refresh()->revision)->toBe($revision + 1)
        ->and(DB::table('draft_papers')->where('scouted_paper_id', $paper)->value('full_text_id'))->toBe($copy->id)
        ->and(DB::table('draft_leads')->where('scouted_paper_id', $paper)->where('full_text_id', $copy->id)->exists())->toBeTrue();
    $this->get(draftUrl($draft, '?step=papers'))->assertSeeText('read in full');
    // brought under Full texts, it is read all the same; of a paper that is read already nothing is done again
    $this->post("/reviews/{$draft->review_id}/full-texts/files", [
        'file' => Sought::pdf('other.pdf', 'Another copy with other words.'),
        'publication' => $copy->publication_id,
    ])->assertOk();
    expect($draft->refresh()->revision)->toBe($revision + 1);
});

it('gives each step as a table', function (string $step, string $says) {
    $draft = drafted(new World());
    expect($this->get(draftUrl($draft, "/{$step}.csv"))->assertOk()->getFile()->getContent())->toContain($says);
    $this->get(draftUrl($draft, "/{$step}.xlsx"))->assertOk();
})->with([
    ['papers', 'Forty nurses will be randomised'],
    ['criteria', 'Is it about “planned nap”?'],
    ['items', 'All who were enrolled'],
    ['report', '1 reports less of it'],
]);
