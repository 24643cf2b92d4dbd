<?php

namespace Tests\Feature\FullTexts;

use App\Actions\FullTexts\AskLocker;
use App\Actions\FullTexts\LinkReports;
use App\Actions\FullTexts\SetRetrieval;
use App\Actions\Matching\JoinPublications;
use App\Actions\Shared\Refused;
use App\Jobs\FullTexts\FetchFullTexts;
use App\Models\CodebookItem;
use App\Models\FullText;
use App\Models\Item;
use App\Models\Join;
use App\Models\Publication;
use App\Models\Retrieval;
use App\Queries\FullTexts\Retrievals;
use App\Queries\FullTexts\Studies;
use App\Queries\Report\FlowQuery;
use Illuminate\Http\Client\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Facades\Queue;
use Tests\Feature\Standin;
use Tests\Feature\World;
use WaryHeron\Core\Coding\CodeType;
use WaryHeron\Core\FullText\RetrievalState;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Standins\Locker\PlainPdf;

function inFull(World $world, int $i): Item
{
    return Item::query()
        ->with('publication', 'stage.review')
        ->where('stage_id', $world->review->fresh()->lastStage()->id)
        ->orderBy('position')
        ->get()[$i];
}

it('lets nothing be judged in full whose text is not at hand, and reports what is given up', function () {
    $world = Sought::of(4);
    $set = fn (int $i, string $state, string $reason = '', string $who = 'specialist') => $this->actingAs(
        $world->people[$who],
    )->postJson("/reviews/{$world->review->id}/full-texts/retrievals", [
        'publications' => [inFull($world, $i)->publication_id],
        'state' => $state,
        'reason' => $reason,
        'dated' => '2026-11-20',
    ]);
    expect(inFull($world, 0)->state)
        ->toBe(ItemState::Awaited)
        ->and(Retrievals::counts($world->review))
        ->toBe(['sought' => 4, 'requested' => 0, 'obtained' => 0, 'not-retrievable' => 0]);
    expect(fn () => $world->decide('anna', inFull($world, 0), 'include'))->toThrow(Refused::class, 'not at hand');
    $desk = "/reviews/{$world->review->id}/screening/desk?stage=".inFull($world, 0)->stage_id;
    $this->actingAs($world->people['anna'])->get($desk)->assertSee('Nothing is left for you to judge here');
    $set(0, 'obtained', 'a printed copy')
        ->assertOk()
        ->assertJsonPath('rows.0.state', 'obtained')
        ->assertJsonPath('counts.obtained', 1)
        ->assertJsonPath('rows.0.datedWords', '20 Nov 2026');
    $this->actingAs($world->people['anna'])->get($desk)->assertDontSee('Nothing is left for you to judge here: ');
    // one main reason for each exclusion, whatever the stage's own rule says
    Item::query()
        ->findOrFail(inFull($world, 0)->id)
        ->stage->update(['reason_required' => false]);
    $decide = fn (string $who, array $with) => $this->actingAs($world->people[$who])->postJson(
        "/reviews/{$world->review->id}/screening/items/".inFull($world, 0)->id.'/decision',
        $with,
    );
    $decide('anna', ['verdict' => 'exclude'])
        ->assertUnprocessable()
        ->assertJsonValidationErrors('criterion');
    $reason = $world->review->criteria()->first()->id;
    $decide('anna', ['verdict' => 'exclude', 'criterion' => $reason])->assertOk();
    // the text goes and comes again: what was decided stands
    $set(0, 'sought')->assertOk();
    expect(inFull($world, 0)->state)->toBe(ItemState::Awaited);
    $set(0, 'obtained');
    $decide('ben', ['verdict' => 'exclude', 'criterion' => $reason])->assertOk();
    expect(inFull($world, 0)->state)->toBe(ItemState::Excluded);
    // included by title and abstract is not included in the end
    $code = CodebookItem::query()->create([
        'review_id' => $world->review->id,
        'position' => 1,
        'label' => 'Design',
        'type' => CodeType::Text,
    ]);
    $this->actingAs($world->people['coder'])
        ->putJson("/reviews/{$world->review->id}/coding/".inFull($world, 0)->publication_id."/{$code->id}", [
            'value' => 'trial',
        ])
        ->assertConflict();
    $this->get("/reviews/{$world->review->id}/coding/".inFull($world, 0)->publication_id)->assertSee(
        'is not included, so it is not coded',
    );
    $set(0, 'not-retrievable', 'gone')
        ->assertConflict()
        ->assertJsonPath(
            'message',
            'One of these has been judged in full by everybody asked, so the text was at hand. It stays obtained.',
        );
    $set(1, 'not-retrievable')->assertConflict();
    $set(1, 'not-retrievable', 'no copy in any library')->assertOk();
    $set(2, 'requested', 'from the author')->assertOk();
    expect(inFull($world, 1)->state)->toBe(ItemState::Removed)->and(inFull($world, 2)->state)->toBe(ItemState::Awaited);
    $set(3, 'obtained', '', 'observer')->assertForbidden();
    $flow = FlowQuery::of($world->review->fresh());
    expect($flow->contradictions())
        ->toBe([])
        ->and($flow->facts->fullTexts->sought)
        ->toBe(4)
        ->and($flow->facts->fullTexts->notRetrieved)
        ->toBe(['no copy in any library' => 1])
        ->and($flow->facts->fullTexts->awaited)
        ->toBe(2)
        ->and($flow->facts->fullTexts->assessed())
        ->toBe(1);
    $report = "/reviews/{$world->review->id}/report";
    $this->get($report)
        ->assertSeeText('reports not retrieved')
        ->assertSeeText('no copy in any library')
        ->assertDontSeeText('do not add up');
    expect((string) $this->get("{$report}/flow.csv")->getContent())
        ->toContain("Screening,Reports not retrieved,1\r\n")
        ->toContain("Screening,Reports sought for retrieval,4\r\n");
    $this->get(
        "/reviews/{$world->review->id}/full-texts?state=not-retrievable&reason=no+copy+in+any+library",
    )->assertSeeText('1 not retrievable, for the reason');
    // found after all
    $set(1, 'sought')->assertOk();
    expect(inFull($world, 1)->state)->toBe(ItemState::Awaited);
    // and what is no longer included is no longer sought, but what was found out stays
    $this->actingAs($world->people['lead'])->post(
        "/reviews/{$world->review->id}/screening/disagreements/{$world->item(2)->id}/settlement",
        ['verdict' => 'exclude', 'criterion' => $reason],
    );
    expect(array_sum(Retrievals::counts($world->review)))
        ->toBe(3)
        ->and(Retrieval::query()->where('state', 'requested')->count())
        ->toBe(1);
    $this->post("/reviews/{$world->review->id}/screening/disagreements/{$world->item(2)->id}/settlement", [
        'verdict' => 'include',
    ]);
    expect(Retrievals::counts($world->review)['requested'])->toBe(1);
});

it('takes PDFs in, finds what they are, and leaves the rest to a person', function () {
    $world = Sought::of(4);
    $bring = fn (UploadedFile $file, array $with = []) => $this->actingAs($world->people['anna'])->post(
        "/reviews/{$world->review->id}/full-texts/files",
        ['file' => $file, ...$with],
        ['Accept' => 'application/json'],
    );
    $bring(Sought::pdf('1.pdf', 'Some journal', 'doi:10.71000/lamps.0'))
        ->assertOk()
        ->assertJson(['assigned' => true, 'how' => 'by its DOI', 'title' => inFull($world, 0)->publication->title]);
    $bring(Sought::pdf('2.pdf', 'Bright lamps and slow naps', 'on ward bbb', 'A Kolbe'))
        ->assertOk()
        ->assertJson(['assigned' => true, 'how' => 'by its title']);
    expect(inFull($world, 0)->state)
        ->toBe(ItemState::Waiting)
        ->and(FullText::query()->orderBy('id')->first()->text)
        ->toContain('10.71000/lamps.0')
        ->and(FullText::query()->orderBy('id')->first()->pages)
        ->toBe(1);
    $bring(Sought::pdf("../<b>3\u{202E}.pdf", 'A leaflet'))
        ->assertOk()
        ->assertJson(['assigned' => false, 'unassigned' => 1]);
    $loose = FullText::query()->whereNull('publication_id')->sole();
    expect($loose->name)->not->toContain('/')->not->toContain("\u{202E}");
    // what is no PDF, or is here already, is refused by name, and nothing is kept
    $bring(UploadedFile::fake()->createWithContent('page.pdf', '<html>Sign in</html>'))
        ->assertConflict()
        ->assertJsonPath('message', '“page.pdf” is not a PDF. Nothing was kept of it.');
    $bring(Sought::pdf('again.pdf', 'Some journal', 'doi:10.71000/lamps.0'))->assertConflict();
    $bring(UploadedFile::fake()->createWithContent('broken.pdf', "%PDF-1.7\n".random_bytes(400)))
        ->assertOk()
        ->assertJson(['assigned' => false]);
    expect(FullText::query()->count())->toBe(4);
    $page = "/reviews/{$world->review->id}/full-texts/unassigned";
    $this->get("{$page}?file={$loose->id}&words=ward+ccc")
        ->assertOk()
        ->assertSeeText('ward ccc')
        ->assertSeeText('It is damaged, or so made that it cannot be read.')
        ->assertDontSee('<b>3', false);
    $third = inFull($world, 2)->publication;
    $this->post("/reviews/{$world->review->id}/full-texts/files/{$loose->id}/assign", [
        'publication' => $third->id,
    ])->assertRedirect($page);
    expect(inFull($world, 2)->state)->toBe(ItemState::Waiting);
    $this->post("/reviews/{$world->review->id}/full-texts/files/{$loose->id}/assign", [
        'publication' => inFull($world, 3)->publication_id,
    ])->assertSessionHas('problem');
    $this->postJson("/reviews/{$world->review->id}/full-texts/files/{$loose->id}/take-off")
        ->assertOk()
        ->assertJsonPath('rows.0.state', 'sought');
    expect(inFull($world, 2)->state)->toBe(ItemState::Awaited);
    $this->post("/reviews/{$world->review->id}/full-texts/files/{$loose->id}/take-out")->assertSessionHas('notice');
    expect(Retrievals::unassigned($world->review)->count())->toBe(1);
    // read as data by the viewer, and never as a page of ours
    $file = FullText::query()->where('name', '1.pdf')->sole();
    $answer = $this->actingAs($world->people['observer'])
        ->get("/reviews/{$world->review->id}/full-texts/files/{$file->id}")
        ->assertOk()
        ->assertHeader('X-Content-Type-Options', 'nosniff')
        ->assertHeader('Content-Type', 'application/pdf');
    expect($answer->headers->get('Content-Disposition'))->toStartWith('attachment;');
    $bring(Sought::pdf('mine.pdf', 'Scanned'), ['publication' => $third->id])
        ->assertOk()
        ->assertJson(['assigned' => true, 'title' => $third->title]);
    // joining two publications loses neither copy nor standing
    $kept = app(JoinPublications::class)->execute(
        $world->people['specialist'],
        $world->review->id,
        [$third->id, inFull($world, 3)->publication_id],
        'stroke',
    );
    expect(Retrievals::copies($world->review, [$kept])[$kept])
        ->toHaveCount(1)
        ->and(
            Item::query()
                ->where('publication_id', $kept)
                ->where('stage_id', $file->publication->review->lastStage()->id)
                ->sole()->state,
        )
        ->toBe(ItemState::Waiting);
});

it('joins what was included with what was excluded, though a text of it was sought', function () {
    $world = Sought::of(1);
    $world->deliver([['TI' => 'Quite other words of lamps']], 'Elsewhere');
    $other = $world->publication('Quite other words of lamps');
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $other->item()->firstOrFail(), 'exclude');
    }
    $kept = app(JoinPublications::class)->execute(
        $world->people['specialist'],
        $world->review->id,
        [inFull($world, 0)->publication_id, $other->id],
        'stroke',
    );
    expect(
        Item::query()
            ->where('publication_id', $kept)
            ->where('stage_id', $world->review->firstStage()->id)
            ->sole()->state,
    )
        ->toBe(ItemState::Disagreement)
        ->and(array_sum(Retrievals::counts($world->review)))
        ->toBe(0)
        ->and(FlowQuery::of($world->review->fresh())->contradictions())
        ->toBe([]);
});

it('tells on the whole list at once, and only on what it was narrowed down to', function () {
    $world = Sought::of(4);
    $at = "/reviews/{$world->review->id}/full-texts/retrievals";
    $ids = array_map(fn (int $i): string => inFull($world, $i)->publication_id, range(0, 3));
    $this->actingAs($world->people['anna'])
        ->postJson($at, [
            'publications' => [$ids[2]],
            'state' => 'requested',
            'reason' => 'from the author',
            'dated' => '2024-05-02',
        ])
        ->assertOk();
    expect(array_column($this->getJson($at)->assertOk()->json('rows'), 'id'))
        ->toEqualCanonicalizing($ids)
        ->and($this->getJson("{$at}?state=requested")->json('rows'))
        ->toBe([['id' => $ids[2], 'state' => 'requested', 'reason' => 'from the author', 'dated' => '2024-05-02']])
        ->and($this->getJson("{$at}?state=obtained")->json('rows'))
        ->toBe([]);
    $this->postJson($at, [
        'publications' => array_fill(0, Retrievals::AT_ONCE + 1, $ids[0]),
        'state' => 'obtained',
    ])->assertUnprocessable();
    $this->actingAs($world->people['observer'])->getJson($at)->assertForbidden();
    $this->actingAs($world->people['outsider'])->getJson($at)->assertNotFound();
});

it('asks the locker for many in the background, and again only for those without an answer', function () {
    $world = Sought::of(5);
    Queue::fake();
    $asked = [];
    $fails = 'lamps.3';
    Standin::answers(function (Request $request) use (&$asked, &$fails) {
        $doi = basename(rawurldecode($request->url()));
        $asked[] = $doi;

        return match (true) {
            $doi === $fails => Http::response('busy', 503),
            $doi === 'lamps.1' => Http::response('This publisher gives no copy without a subscription.', 403),
            default => Http::response(PlainPdf::of([[12, "Text of {$doi}"]]), 200),
        };
    });
    app(SetRetrieval::class)->execute(
        $world->people['lead'],
        $world->review,
        [inFull($world, 4)->publication_id],
        RetrievalState::Obtained,
        'a printed copy',
        now(),
    );
    $task = app(AskLocker::class)->execute($world->people['specialist'], $world->review);
    expect($task->total)
        ->toBe(4)
        ->and(fn () => app(AskLocker::class)->execute($world->people['specialist'], $world->review))
        ->toThrow(Refused::class, 'already');
    /** @var FetchFullTexts $job */
    $job = Queue::pushed(FetchFullTexts::class)->first();
    $run = fn (FetchFullTexts $one) => app()->call([$one, 'handle']);
    $run($job);
    // the locker was busy: it is tried again later, and those that have answered are not asked again
    $later = Queue::pushed(FetchFullTexts::class)->last();
    expect($later->failures)->toBe(1)->and($task->fresh()->state->value)->toBe('running');
    $fails = '';
    $run($later);
    expect($task->fresh()->state)
        ->toBe(\App\Tasks\TaskState::Done)
        ->and($task->fresh()->message)
        ->toBe('Copies that came: 3. Without a copy there: 1.')
        ->and(array_count_values($asked))
        ->toBe(['lamps.0' => 1, 'lamps.1' => 1, 'lamps.2' => 1, 'lamps.3' => 2]);
    expect(Retrievals::counts($world->review))
        ->toMatchArray(['sought' => 1, 'obtained' => 4])
        ->and(Retrieval::query()->where('locker_answer', '<>', '')->sole()->locker_answer)
        ->toContain('subscription');
    $run($job);
    expect(FullText::query()->count())
        ->toBe(3)
        ->and($asked)
        ->toHaveCount(5);
    $this->actingAs($world->people['coder'])
        ->get("/reviews/{$world->review->id}/full-texts?only=refused")
        ->assertOk()
        ->assertSee('subscription');
    // cancelled between two texts
    $again = app(AskLocker::class)->execute($world->people['specialist'], $world->review);
    $this->actingAs($world->people['specialist'])
        ->postJson("/tasks/{$again->id}/cancel")
        ->assertOk();
    $run(Queue::pushed(FetchFullTexts::class)->last());
    expect($again->fresh()->state->value)->toBe('cancelled')->and($asked)->toHaveCount(5);
});

it('counts reports and studies apart', function () {
    $world = Sought::of(4);
    foreach (range(0, 3) as $i) {
        app(SetRetrieval::class)->execute(
            $world->people['lead'],
            $world->review,
            [inFull($world, $i)->publication_id],
            RetrievalState::Obtained,
            '',
            now(),
        );
        foreach (['anna', 'ben'] as $who) {
            $world->decide($who, inFull($world, $i), 'include');
        }
    }
    $ids = array_map(fn (int $i): string => inFull($world, $i)->publication_id, range(0, 3));
    $studies = fn (): int => FlowQuery::of($world->review->fresh())->facts->fullTexts->studies();
    $link = fn (array $reports, string $who = 'anna') => $this->actingAs($world->people[$who])->post(
        "/reviews/{$world->review->id}/full-texts/studies",
        ['reports' => $reports],
    );
    expect($studies())->toBe(4);
    $link([$ids[0], $ids[1]])->assertSessionHas('notice');
    $link([$ids[2], $ids[3]]);
    expect($studies())->toBe(2);
    $link([$ids[1], $ids[2]]); // two studies that turn out to be one
    expect($studies())
        ->toBe(1)
        ->and($world->review->studies()->count())
        ->toBe(1);
    $this->get("/reviews/{$world->review->id}/full-texts/studies")->assertSeeText('4 included reports tell of 1 study');
    expect((string) $this->get("/reviews/{$world->review->id}/report/flow.csv")->getContent())
        ->toContain("Included,Studies included in review,1\r\n")
        ->toContain("Included,Reports of included studies,4\r\n");
    $link([$ids[0]])->assertSessionHas('problem');
    $link($ids, 'observer')->assertForbidden();
    foreach ([0, 1, 2] as $i) {
        $this->actingAs($world->people['anna'])->delete("/reviews/{$world->review->id}/full-texts/reports/{$ids[$i]}");
    }
    expect($studies())
        ->toBe(4)
        ->and($world->review->studies()->count())
        ->toBe(0);
});

it(
    'points at reports of one study, once for each two studies, and names them as authors write themselves',
    function () {
        $world = Sought::of(3);
        $ids = array_map(fn (int $i): string => inFull($world, $i)->publication_id, range(0, 2));
        foreach ($ids as $i => $id) {
            app(SetRetrieval::class)->execute(
                $world->people['lead'],
                $world->review,
                [$id],
                RetrievalState::Obtained,
                '',
                now(),
            );
            foreach (['anna', 'ben'] as $who) {
                $world->decide($who, inFull($world, $i), 'include');
            }
        }
        Publication::query()
            ->whereIn('id', $ids)
            ->update([
                'abstract' => 'Registered as TRVK-2021/0042.',
                'authors' => 'Özkaya-Lind É; Haas MK',
                'first_author' => 'ozkaya lind',
                'year' => 2021,
            ]);
        expect(Studies::leads($world->review))->toHaveCount(3)->each->toHaveProperty('confidence', 'firm');
        $study = app(LinkReports::class)->execute($world->people['lead'], $world->review, array_slice($ids, 0, 2));
        expect($study->name)->toBe('Özkaya-Lind 2021')->and(Studies::leads($world->review))->toHaveCount(1);
        app(LinkReports::class)->execute($world->people['lead'], $world->review, $ids);
        expect(Studies::leads($world->review))->toBe([]);
    },
);

it(
    'keeps what is known of studies when reports are found to be one publication, and when they are taken apart',
    function () {
        $world = Sought::of(3);
        $ids = array_map(fn (int $i): string => inFull($world, $i)->publication_id, range(0, 2));
        $study = app(LinkReports::class)->execute($world->people['lead'], $world->review, [$ids[1], $ids[2]]);
        $of = fn (): array => array_map(fn (string $id): ?string => Publication::query()->find($id)?->study_id, $ids);
        expect($of())->toBe([null, $study->id, $study->id]);

        expect(
            app(JoinPublications::class)->execute(
                $world->people['lead'],
                $world->review->id,
                [$ids[0], $ids[1]],
                'one',
            ),
        )->toBe($ids[0]);
        expect($of()[0])->toBe($study->id);
        app(JoinPublications::class)->undo($world->people['lead'], Join::query()->sole());
        expect($of())->toBe([null, $study->id, $study->id]);

        // both reports of the study are one publication: taken out of it, the study goes, and what comes apart again
        // has none
        app(JoinPublications::class)->execute($world->people['lead'], $world->review->id, [$ids[1], $ids[2]], 'two');
        app(LinkReports::class)->takeOut($world->people['lead'], Publication::query()->findOrFail($ids[1]));
        expect($world->review->studies()->count())->toBe(0);
        app(JoinPublications::class)->undo($world->people['lead'], Join::query()->whereNull('undone_at')->sole());
        expect($of())->toBe([null, null, null]);
    },
);

it('shares out texts before they come, and hands them on with the rest', function () {
    $world = Sought::of(4);
    $stage = inFull($world, 0)->stage;
    app(SetRetrieval::class)->execute(
        $world->people['lead'],
        $world->review,
        [inFull($world, 0)->publication_id],
        RetrievalState::Obtained,
        '',
        now(),
    );
    $this->actingAs($world->people['lead'])
        ->post("/reviews/{$world->review->id}/screening/share-outs", [
            'stage' => $stage->id,
            ...$world->terms(['anna', 'ben'], ['expected' => 4]),
        ])
        ->assertSessionHasNoErrors();
    expect(\App\Queries\Screening\ShareOut\Shares::left($stage->fresh()))->toBe([
        $world->people['anna']->id => 1,
        $world->people['ben']->id => 1,
    ]);
    app(SetRetrieval::class)->execute(
        $world->people['lead'],
        $world->review,
        [inFull($world, 1)->publication_id],
        RetrievalState::Obtained,
        '',
        now(),
    );
    expect(\App\Queries\Screening\ShareOut\Shares::left($stage->fresh())[$world->people['anna']->id])->toBe(2);
    $this->post("/reviews/{$world->review->id}/screening/stages/{$stage->id}/hand-on", [
        'from' => $world->people['ben']->id,
        'to' => [$world->people['lead']->id],
    ])->assertSessionHas('notice', fn (string $said): bool => str_contains($said, '4'));
    expect(\App\Queries\Screening\ShareOut\Shares::left($stage->fresh()))
        ->toMatchArray([$world->people['lead']->id => 2])
        ->not->toHaveKey($world->people['ben']->id);
});
