<?php

namespace Tests\Feature\Report;

use App\Actions\Question\ChangeCriteria;
use App\Actions\Report\OpenReport;
use App\Actions\Report\ReadReport;
use App\Files\Out\ReportReader;
use App\Models\LogEntry;
use App\Models\MadeFile;
use App\Models\Report;
use App\Models\ReportVersion;
use App\Queries\Report\Composed\LiveNumbers;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Feature\Synthesis\AtSynthesis;
use WaryHeron\Core\Report\Document\Schema;

/** A review with two pooled studies whose report has been begun. */
function begun(): AtSynthesis
{
    $at = AtSynthesis::with('Aster', 'Birk');
    $at->counts('Aster', 7, 86, 15, 85, ['evidence' => ['e1' => [['quote' => '7 of 86 made one']]]]);
    $at->counts('Birk', 4, 40, 9, 41);
    $at->analysis();
    app(OpenReport::class)->execute($at->world->people['lead'], $at->world->review);

    return $at;
}

function textUrl(AtSynthesis $at, string $tail = ''): string
{
    return "/reviews/{$at->world->review->id}/report/text{$tail}";
}

/** An update that makes a document of one paragraph, as an editor of its own would send it. */
function update(string $words): string
{
    return ReportReader::make(['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => $words]]]]]);
}

function exchange(AtSynthesis $at, string $who, array $given = []): TestResponse
{
    return test()->actingAs($at->world->people[$who])
        ->postJson(textUrl($at, '/exchange'), ['schema' => Schema::VERSION, 'after' => 0, 'client' => 7, ...$given]);
}

it('begins with what the review knows, once, whoever presses first', function () {
    $at = AtSynthesis::with('Aster');
    $at->counts('Aster', 7, 86, 15, 85);
    $at->analysis();
    $this->actingAs($at->world->people['observer'])->get(textUrl($at))->assertSee('Nobody has begun it yet');
    $this->post(textUrl($at))->assertForbidden();
    $this->actingAs($at->world->people['coder'])->post(textUrl($at))->assertRedirect(textUrl($at));
    $this->post(textUrl($at))->assertRedirect();
    expect(Report::query()->count())->toBe(1)->and(LogEntry::query()->where('action', 'text.begun')->count())->toBe(1);
    $this->get(textUrl($at))->assertOk()->assertSee('of 27 items')->assertSee('Live block');
    $kinds = DB::table('report_blocks')->pluck('kind')->all();
    expect($kinds)->toContain('question', 'criteria', 'searches', 'flow', 'studies', 'forest', 'certainty');
    $forest = DB::table('report_blocks')->where('kind', 'forest')->value('shown');
    expect(json_decode($forest, true)['facts'])->toMatchArray(['studies' => '1', 'Aster A 2020' => '0.46 (0.20–1.07)']);
});

it('gives each what others wrote, in order, and never a page its own', function () {
    $at = begun();
    $first = exchange($at, 'coder', ['after' => -1])->assertOk();
    expect($first->json('base'))->not->toBeNull()->and($first->json('updates'))->toBe([]);
    exchange($at, 'coder', ['update' => update('First.')])->assertJsonPath('seq', 1)->assertJsonPath('updates', []);
    exchange($at, 'anna', ['client' => 8, 'update' => update('Second.')])->assertJsonPath('seq', 2)->assertJsonCount(1, 'updates');
    exchange($at, 'coder', ['after' => 1])->assertJsonPath('seq', 2)->assertJsonCount(1, 'updates');
    exchange($at, 'coder', ['after' => 2])->assertJsonCount(0, 'updates')->assertJsonPath('base', null);
    $report = app(ReadReport::class)->execute(Report::query()->sole());
    $said = json_encode($report->said, JSON_UNESCAPED_UNICODE);
    expect($said)->toContain('First.')->toContain('Second.')->and($report->said_seq)->toBe(2);
    // who comes late gets the base, and nothing twice
    exchange($at, 'anna', ['client' => 9, 'after' => 1])->assertJsonCount(0, 'updates');
    expect(exchange($at, 'anna', ['client' => 9, 'after' => 1])->json('base'))->not->toBeNull();
});

it('reads past an update that is none', function () {
    $at = begun();
    exchange($at, 'coder', ['update' => update('Good.')])->assertOk();
    exchange($at, 'coder', ['update' => base64_encode(random_bytes(40))])->assertOk();
    exchange($at, 'coder', ['update' => update('Better.')])->assertOk();
    $said = json_encode(app(ReadReport::class)->execute(Report::query()->sole())->said);
    expect($said)->toContain('Good.')->toContain('Better.');
});

it('lets observers read along, and outsiders nothing; an older page loads again', function () {
    $at = begun();
    exchange($at, 'observer', ['after' => -1])->assertOk();
    exchange($at, 'observer', ['update' => update('x')])->assertForbidden();
    exchange($at, 'outsider')->assertNotFound();
    exchange($at, 'coder', ['schema' => 0])->assertConflict()->assertSee('older release');
    foreach ([['update' => 'no base64!'], ['after' => 'x'], ['client' => -3], ['presence' => '<b>']] as $bad) {
        exchange($at, 'coder', $bad)->assertUnprocessable();
    }
    expect(DB::table('report_updates')->count())->toBe(0);
});

it('tells who is there', function () {
    $at = begun();
    exchange($at, 'coder', ['presence' => 'QUJD']);
    exchange($at, 'anna', ['client' => 8, 'presence' => 'REVG'])->assertJsonPath('presence', [['client' => 7, 'data' => 'QUJD']]);
    DB::table('report_presence')->update(['at' => now()->subMinute()]);
    exchange($at, 'anna', ['client' => 8])->assertJsonPath('presence', []);
});

it('marks a block when what it shows changes, says what, and follows only a press', function () {
    $at = begun();
    $forest = DB::table('report_blocks')->where('kind', 'forest')->sole();
    $standing = fn (): TestResponse => test()->actingAs($at->world->people['coder'])->getJson(textUrl($at, '/standing'))->assertOk();
    expect($standing()->json('changed'))->toBe([]);
    $at->counts('Aster', 9, 86, 15, 85, ['days' => 90]);
    $changed = $standing()->json('changed');
    expect(array_keys($changed))->toContain($forest->id);
    expect(json_decode(DB::table('report_blocks')->where('id', $forest->id)->value('shown'), true)['facts']['studies'])->toBe('2');
    $this->postJson(textUrl($at, '/blocks'), ['id' => $forest->id, 'kind' => 'forest', 'source' => $forest->source])->assertOk();
    expect($standing()->json('changed'))->not->toHaveKey($forest->id);
    expect($standing()->json('numbers'))->toHaveKey('studies');
});

it('takes blocks of this review only, and says of one whose source is gone that it is', function () {
    $at = begun();
    $this->actingAs($at->world->people['coder'])->postJson(textUrl($at, '/blocks'), ['kind' => 'moon'])->assertUnprocessable();
    $this->postJson(textUrl($at, '/blocks'), ['kind' => 'forest', 'source' => str_repeat('0', 26)])
        ->assertOk()
        ->assertJsonPath('title', 'What this showed is gone');
    $this->actingAs($at->world->people['observer'])->postJson(textUrl($at, '/blocks'), ['kind' => 'flow'])->assertForbidden();
});

it('lets a claim rest on what was found, and says when that changes', function () {
    $at = begun();
    $this->actingAs($at->world->people['coder']);
    $found = $this->getJson(textUrl($at, '/evidence?q=aster+misses'))->assertOk()->json('found');
    expect($found)->toHaveCount(1)
        ->and($found[0])->toMatchArray(['kind' => 'result', 'study' => 'Aster 2020', 'quote' => '7 of 86 made one']);
    $claim = str_repeat('c', 26);
    $set = fn (array $given): TestResponse => test()->putJson(textUrl($at, "/claims/{$claim}"), $given);
    $set(['own' => false])->assertJsonPath('problem', 'rests on nothing yet');
    $set(['adds' => [['kind' => 'result', 'id' => $found[0]['id']], ['kind' => 'result', 'id' => str_repeat('0', 26)]]])
        ->assertJsonPath('problem', '')
        ->assertJsonCount(1, 'evidence');
    $at->counts('Aster', 8, 86, 15, 85, []);
    $row = $found[0]['id'];
    $at->takes('coder', 'Aster', ['given' => ['e1' => '70', 'n1' => '86', 'e2' => '15', 'n2' => '85']], $row)->assertOk();
    $now = $this->getJson(textUrl($at, '/standing'))->json("claims.{$claim}");
    expect($now['problem'])->toContain('Aster 2020 says “Near misses: 70, 86, 15, 85” now');
    // as it was given is kept, until it is taken off
    $set(['own' => true, 'takes_off' => [['kind' => 'result', 'id' => $row]]])
        ->assertJsonPath('own', true)
        ->assertJsonPath('problem', '')
        ->assertJsonCount(0, 'evidence');
    $this->actingAs($at->world->people['observer'])->putJson(textUrl($at, "/claims/{$claim}"), ['own' => true])->assertForbidden();
});

it('keeps what each of two people puts to a claim, once, and refuses what nobody could follow', function () {
    $at = begun();
    $claim = str_repeat('c', 26);
    $puts = fn (string $who, array $given): TestResponse => test()->actingAs($at->world->people[$who])
        ->putJson(textUrl($at, "/claims/{$claim}"), $given);
    [$first, $second] = array_map(
        fn (string $row): array => ['kind' => 'result', 'id' => $row],
        DB::table('standing_results')->orderBy('row_id')->limit(2)->pluck('row_id')->all(),
    );
    // neither page has seen what the other sent, and one press arrives twice
    $puts('coder', ['adds' => [$first]])->assertJsonCount(1, 'evidence');
    $puts('coder', ['adds' => [$first]])->assertJsonCount(1, 'evidence');
    $puts('lead', ['adds' => [$second]])->assertJsonCount(2, 'evidence');
    $puts('coder', ['own' => true])->assertJsonCount(2, 'evidence')->assertJsonPath('own', true);
    $puts('lead', ['takes_off' => [$first]])->assertJsonCount(1, 'evidence')->assertJsonPath('own', true);
    expect(DB::table('log_entries')->where('action', 'claim.set')->count())->toBe(4);
    // all that a page of an older release believes the claim should rest on would take the rest away
    $puts('coder', ['own' => false, 'evidence' => [$first]])->assertUnprocessable();
    $many = array_map(fn (int $i): array => ['kind' => 'result', 'id' => "row {$i}"], range(1, 41));
    $puts('coder', ['adds' => $many])->assertUnprocessable();
});

it('keeps versions by name, with blocks and claims as they were', function () {
    $at = begun();
    exchange($at, 'coder', ['update' => update('As sent to the board.')]);
    $this->post(textUrl($at, '/versions'), ['name' => 'To the board'])->assertRedirect();
    exchange($at, 'coder', ['update' => update('And more.')]);
    $version = ReportVersion::query()->sole();
    expect(json_encode($version->said))->toContain('As sent to the board.')->not->toContain('And more.')
        ->and(count($version->kept['blocks']))->toBe(DB::table('report_blocks')->count());
    $this->get(textUrl($at))->assertSee('To the board');
});

it('compares versions word by word, says what blocks show otherwise and who wrote, to whoever may read', function () {
    $at = begun();
    $this->actingAs($at->world->people['coder'])->get(textUrl($at, '/changes'))->assertOk()->assertSee('No version is kept');
    exchange($at, 'coder', ['update' => update('Lamps helped a little.')]);
    $this->post(textUrl($at, '/versions'), ['name' => 'Monday'])->assertRedirect();
    $monday = ReportVersion::query()->sole();
    $url = textUrl($at, "/changes?from={$monday->id}");
    $this->get($url)->assertSee('Nothing has changed');
    exchange($at, 'lead', ['update' => update('Naps <b>were studied</b> in Varna.')]);
    $forest = DB::table('report_blocks')->where('kind', 'forest')->first();
    $at->counts('Birk', 9, 40, 9, 41);
    $this->actingAs($at->world->people['lead'])
        ->postJson(textUrl($at, '/blocks'), ['id' => $forest->id, 'kind' => 'forest', 'source' => $forest->source])
        ->assertOk();
    $this->actingAs($at->world->people['observer'])->get($url)
        ->assertSee('<ins>Naps &lt;b&gt;were studied&lt;/b&gt; in Varna.</ins>', false)
        ->assertSee('Birk')
        ->assertSee('→')
        ->assertSee($at->world->people['lead']->name)
        ->assertDontSee("{$at->world->people['coder']->name} <span", false);
    $this->get(textUrl($at, '/changes?from=none'))->assertNotFound();
});

/** A report with a claim, a citation, a number, a footnote and all its blocks, as the file in a form. */
function file(AtSynthesis $at, string $format): string
{
    $aster = $at->world->publication('Lamps of Aster')->id;
    $claim = str_repeat('c', 26);
    $row = DB::table('standing_results')->where('publication_id', $aster)->value('row_id');
    test()->actingAs($at->world->people['coder'])
        ->putJson(textUrl($at, "/claims/{$claim}"), ['adds' => [['kind' => 'result', 'id' => $row]]])
        ->assertOk();
    exchange($at, 'coder', ['update' => ReportReader::make(['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [
        ['type' => 'text', 'text' => 'Errors fell <b>', 'marks' => [['type' => 'claim', 'attrs' => ['id' => $claim]]]],
        ['type' => 'text', 'text' => ' in '],
        ['type' => 'liveNumber', 'attrs' => ['source' => 'studies', 'shown' => '2']],
        ['type' => 'text', 'text' => ' studies '],
        ['type' => 'cite', 'attrs' => ['ids' => [$aster]]],
        ['type' => 'footnote', 'attrs' => ['text' => 'Both by night.']],
    ]]]])])->assertOk();
    $review = "/reviews/{$at->world->review->id}/report";
    if (in_array($format, ['html', 'md'], true)) {
        return (string) test()->get("{$review}/text.{$format}")->assertOk()->getContent();
    }
    test()->post("{$review}/made", ['kind' => "report-{$format}"])->assertRedirect("{$review}#made");
    $made = MadeFile::query()->sole();

    return (string) file_get_contents(test()->get("{$review}/made/{$made->id}")->assertOk()->baseResponse->getFile()->getPathname());
}

it('leaves as one page that asks for nothing, with each claim leading to its words', function () {
    $html = file(begun(), 'html');
    expect($html)->toContain('href="#claim-1">Errors fell &lt;b&gt;</a> in 2 studies')
        ->toContain('<q>7 of 86 made one</q>')
        ->toContain('<h2>References</h2>')
        ->toContain('Lamps of Aster')
        ->toContain('<figcaption>Figure 1.');
    preg_match_all('~(?:src|href)="(?!#|data:image/|https://doi\.org)([^"]*)"|url\(|@import~', $html, $asked);
    expect(array_filter($asked[1]))->toBe([]);
});

it('leaves as a PDF that other programs read', function () {
    $pdf = file(begun(), 'pdf');
    $path = (string) tempnam(sys_get_temp_dir(), 'heron');
    file_put_contents($path, $pdf);
    exec('pdftotext -q -enc UTF-8 '.escapeshellarg($path).' -', $text, $code);
    unlink($path);
    expect($code)->toBe(0)
        ->and(implode("\n", $text))->toContain('Errors fell <b> in 2 studies')->toContain('Both by night.')->toContain('References');
});

it('leaves as a document with headings, footnotes, pictures and references, and as Markdown', function () {
    $at = begun();
    $path = (string) tempnam(sys_get_temp_dir(), 'heron');
    file_put_contents($path, file($at, 'docx'));
    exec('pandoc --from=docx --to=markdown --wrap=none '.escapeshellarg($path), $back, $code);
    unlink($path);
    $back = implode("\n", $back);
    expect($code)->toBe(0)->and($back)->toContain('## How we searched')
        ->toContain('[^1]: Both by night.')
        ->toContain('Figure 1.')
        ->toContain('Lamps of Aster');
    $this->put(textUrl($at, '/style'), ['style' => 'apa'])->assertRedirect();
    $markdown = (string) $this->get("/reviews/{$at->world->review->id}/report/text.md")->getContent();
    expect($markdown)->toContain('(Aster, 2020)')->toContain('Errors fell');
    $this->put(textUrl($at, '/style'), ['style' => '../../etc/passwd'])->assertSessionHasErrors('style');
});

it('drafts the methods from what was done, with numbers that stay live, and claims nothing else', function () {
    $at = begun();
    $sections = $this->actingAs($at->world->people['coder'])->getJson(textUrl($at, '/draft'))->assertOk()->json('sections');
    $words = fn (string $section): string => implode(' ', array_map(
        fn (array $one): string => implode('', array_map(fn (array $part): string => $part['text'] ?? "{{$part['attrs']['source']}={$part['attrs']['shown']}}", $one['content'])),
        $sections[$section] ?? [],
    ));
    expect($words('searched'))->toContain('{records=2} records.')->not->toContain('duplicates')
        ->and($words('chose'))->toContain('judged by two people, who did not know of each other’s decisions, of 2 who took part')
        ->and($words('read'))->toContain('Near misses in the night as relative risk with random effects, REML')
        ->and($words('selected'))->toContain('{studies=2} studies are included')
        ->and($sections)->not->toHaveKey('declared')->not->toHaveKey('studies');
    $analysis = DB::table('analyses')->value('id');
    expect($words("analysis {$analysis}"))
        ->toMatch("/^\\{analysis {$analysis} k=2\\} studies with \\{analysis {$analysis} people=252\\} people gave a relative risk of /")
        ->toContain("{analysis {$analysis} i2=0 %} is more than chance");
});

it('tells in the draft how far people agreed before they talked, and what was changed while they judged', function () {
    $at = begun();
    $lead = $at->world->people['lead'];
    $criterion = app(ChangeCriteria::class)->add($lead, $at->world->review, 'Is it about lamps?', 'Not about lamps');
    $stage = $at->world->review->lastStage();
    $sections = $this->actingAs($lead)->getJson(textUrl($at, '/draft'))->json('sections');
    $told = json_encode($sections['chose']);
    expect($told)->toContain("stage {$stage->id} agreed")
        ->toContain('After the first decisions we added the criterion \\u201cIs it about lamps?\\u201d ('.now()->format('j F Y').')')
        ->and(LiveNumbers::of($at->world->review->fresh())["stage {$stage->id} agreed"]->value)->toBe('100 %');
});

it('lets a claim rest on a decision, and says which of its numbers stand in nothing it rests on', function () {
    $at = begun();
    $claim = str_repeat('d', 26);
    $said = ['type' => 'text', 'text' => '7 of 68 made one in 2 studies', 'marks' => [['type' => 'claim', 'attrs' => ['id' => $claim]]]];
    exchange($at, 'coder', ['update' => ReportReader::make(['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [$said]]]])]);
    $found = $this->getJson(textUrl($at, '/evidence?q=').rawurlencode('Aster included'))->assertOk()->json('found');
    expect($found[0]['kind'])->toBe('decision')->and($found[0]['says'])->toContain('included');
    $row = DB::table('standing_results')->where('publication_id', $at->world->publication('Lamps of Aster')->id)->value('row_id');
    $rests = fn (array ...$on) => $this->putJson(textUrl($at, "/claims/{$claim}"), ['adds' => $on])->assertOk();
    $decision = ['kind' => 'decision', 'id' => $found[0]['id']];
    app(ReadReport::class)->execute(Report::query()->sole());
    $rests($decision, ['kind' => 'result', 'id' => $row])->assertJsonPath('problem', 'says 68, which stands in nothing that it rests on');
    DB::table('items')->where('id', $found[0]['id'])->update(['state' => 'excluded']);
    $standing = $this->getJson(textUrl($at, '/standing'))->json("claims.{$claim}.problem");
    expect($standing)->toContain('excluded');
});
