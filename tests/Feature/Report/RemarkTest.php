<?php

namespace Tests\Feature\Report;

use App\Actions\Report\OpenReport;
use App\Actions\Report\ReadReport;
use App\Files\Out\ReportReader;
use App\Files\Out\WrittenParagraph;
use App\Models\Report;
use App\Queries\Report\Composed\ReportBase;
use App\Queries\Report\Written\Writer;
use App\Queries\Report\Written\WrittenBy;
use App\View\Report\ReportFile;
use Illuminate\Support\Facades\DB;
use Tests\Feature\World;
use WaryHeron\Core\Report\Document\Schema;

const THREAD = '01hzzzzzzzzzzzzzzzzzzzzzzz';

it('keeps what people say about words of the report, tells who spoke before, and ends it', function () {
    $world = new World();
    app(OpenReport::class)->execute($world->people['lead'], $world->review);
    $url = "/reviews/{$world->review->id}/report/text/remarks/".THREAD;
    $this->actingAs($world->people['lead'])->postJson($url, ['body' => 'Is this so? <b>'])->assertOk()->assertJsonPath('ended', false);
    $this->actingAs($world->people['anna'])->postJson($url, ['body' => 'Yes.'])->assertJsonCount(2, 'said')->assertJsonPath(
        'said.1.by',
        'Anna Kolbe',
    );
    $this->postJson($url, ['ends' => true])->assertJsonPath('ended', true);
    $this->postJson($url, ['body' => 'One thing more'])->assertJsonPath('ended', true);
    $this->postJson($url, ['ends' => false])->assertJsonPath('ended', false);
    $this->postJson($url, [])->assertStatus(422);
    $this->getJson("/reviews/{$world->review->id}/report/text/standing")->assertJsonPath(
        'remarks.'.THREAD.'.said.0.body',
        'Is this so? <b>',
    );
    expect($world->people['lead']->notifications()->where('data->kind', 'mention')->first()->data['url'])->toEndWith('#remark-'.THREAD)
        ->and($world->people['anna']->notifications()->count())->toBe(0);
    $this->actingAs($world->people['observer'])->postJson($url, ['body' => 'I too'])->assertForbidden();
});

it('hands out a figure by its number and its own caption, and no remark', function () {
    $world = new World();
    app(OpenReport::class)->execute($world->people['lead'], $world->review);
    $report = Report::of($world->review)->sole();
    $flow = DB::table('report_blocks')->where('kind', 'flow')->value('id');
    $studies = DB::table('report_blocks')->where('kind', 'studies')->value('id');
    $block = fn (string $kind, string $id, string $caption): array => [
        'type' => 'liveBlock',
        'attrs' => ['id' => $id, 'kind' => $kind, 'source' => '', 'caption' => $caption],
    ];
    $text = fn (string $words, array ...$marks): array => [
        'type' => 'text',
        'text' => $words,
        ...($marks === [] ? [] : ['marks' => $marks]),
    ];
    $said = ['type' => 'doc', 'content' => [
        ['type' => 'paragraph', 'content' => [
            $text('As '),
            ['type' => 'blockRef', 'attrs' => ['id' => $flow]],
            $text(' shows, ', ['type' => 'remark', 'attrs' => ['id' => THREAD]]),
            ['type' => 'blockRef', 'attrs' => ['id' => 'gone']],
        ]],
        $block('studies', $studies, ''),
        $block('flow', $flow, 'How papers <came>'),
    ]];
    $report->forceFill(['said' => $said]);
    $html = ReportFile::of($world->review, $report, ReportFile::PAGE)->html();
    expect($html)->toContain("As <a href=\"#block-{$flow}\">Figure 1</a> shows, what is no longer here")
        ->toContain("id=\"block-{$flow}\"")
        ->toContain('Figure 1. How papers &lt;came&gt;')
        ->toContain('<strong>Table 1. </strong>')
        ->not->toContain(THREAD);
    // the editor's own reader knows the new parts: made and read back, they are the same
    expect(ReportReader::read(ReportReader::make($said), [])->json['content'][0])->toEqual($said['content'][0]);
});

it('tells who wrote which of the words that stand, by the pages that they came from', function () {
    $world = new World();
    app(OpenReport::class)->execute($world->people['lead'], $world->review);
    $url = "/reviews/{$world->review->id}/report/text";
    $send = fn (string $who, int $client) => $this->actingAs($world->people[$who])->postJson("{$url}/exchange", [
        'schema' => Schema::VERSION,
        'after' => 0,
        'client' => $client,
        'update' => ReportReader::make(['type' => 'doc', 'content' => [
            ['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => "{$who} wrote three"]]],
        ]]),
    ])->assertOk();
    // each update carries the client that it was made with, which is told by the words themselves
    foreach (['anna' => 11, 'ben' => 12] as $who => $client) {
        $send($who, $client);
    }
    app(ReadReport::class)->execute(Report::of($world->review)->sole());
    $blocks = ReportReader::written(ReportBase::of(Report::of($world->review)->sole()));
    $clientOf = fn (string $words): int => collect($blocks)->flatMap(fn (WrittenParagraph $one): array => $one->runs)->firstWhere('text', $words)->client;
    foreach (['anna', 'ben'] as $i => $who) {
        DB::table('report_updates')->where('client', 11 + $i)->delete();
        DB::table('report_updates')->insert([
            'review_id' => $world->review->id,
            'report_id' => Report::of($world->review)->sole()->id,
            'seq' => 100 + $i,
            'data' => '',
            'client' => $clientOf("{$who} wrote three"),
            'user_id' => $world->people[$who]->id,
            'created_at' => now(),
        ]);
    }
    $written = WrittenBy::of(Report::of($world->review)->sole());
    expect(array_map(fn (Writer $one): int => $one->words, $written->people))
        ->toMatchArray([$world->people['anna']->id => 3, $world->people['ben']->id => 3])
        ->toHaveKey(WrittenBy::NOBODY);
    $this->get("{$url}/written?who={$world->people['anna']->id}")->assertOk()->assertSeeText('Ben Strand 3 words')->assertSeeText(
        'there at the beginning',
    );
});

it('shows live numbers among the words that people wrote, as nobody’s', function () {
    $world = new World();
    app(OpenReport::class)->execute($world->people['lead'], $world->review);
    $report = Report::of($world->review)->sole();
    $number = ['type' => 'liveNumber', 'attrs' => ['source' => 'studies', 'shown' => '14']];
    DB::update(
        "UPDATE reports SET base = decode(?, 'base64') WHERE review_id = ? AND id = ?",
        [ReportReader::make(['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [
            ['type' => 'text', 'text' => 'Of '], $number, ['type' => 'text', 'text' => '.'],
        ]]]]), $report->review_id, $report->id],
    );
    $written = WrittenBy::of($report->refresh());
    expect(array_column($written->paragraphs[0]->runs, 'by', 'text'))->toBe(['Of ' => '', '14' => null, '.' => ''])
        ->and($written->people[WrittenBy::NOBODY]->words)->toBe(1);
    $this->actingAs($world->people['lead'])
        ->get("/reviews/{$world->review->id}/report/text/written")
        ->assertOk()
        ->assertSee('>Of 14.</p>', false);
});
