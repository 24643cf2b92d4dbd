<?php

use App\Actions\Coding\ChangeParts;
use App\Actions\Coding\ProposeAnswers;
use App\Models\Answer;
use App\Models\CodingLead;
use App\Models\StudyPart;
use App\Queries\Coding\CodedStudies;
use Illuminate\Support\Facades\DB;
use Tests\Feature\Coding\AtTheDesk;
use Tests\Feature\World;
use WaryHeron\Core\Coding\Book\Entry;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\CodeType;

/** One included study, with an item asked once and two asked of each arm. */
function studyOfArms(): World
{
    return AtTheDesk::world(
        AtTheDesk::asked('Country', CodeType::Text),
        new Entry('Dose', 'Dose', new Code(CodeType::Number, unit: 'lux'), section: 'Arms', per: 'arm'),
        new Entry('Place', 'Place', new Code(CodeType::Choice, ['desk', 'ward']), section: 'Arms', per: 'arm'),
    );
}

function arm(World $world, string $name, string $who = 'coder'): StudyPart
{
    return app(ChangeParts::class)->name($world->people[$who], $world->publication('Bed lamps'), 'arm', $name);
}

/** @return array<string, mixed> what the desk shows, by item and part: the answer, and how far it has come */
function deskOf(World $world, string $who = 'coder'): array
{
    $id = $world->publication('Bed lamps')->id;
    $items = test()->actingAs($world->people[$who])->getJson("/reviews/{$world->review->id}/coding/{$id}")->json('items');

    return array_column(array_map(
        fn (array $one): array => ['of' => trim("{$one['label']} {$one['part']}"), 'is' => "{$one['answer']['shown']} {$one['standing']}"],
        $items,
    ), 'is', 'of');
}

it('asks each arm once it is named, arm by arm', function () {
    $world = studyOfArms();
    expect(array_keys(deskOf($world)))->toBe(['Country', 'Dose', 'Place']);
    $at = "/reviews/{$world->review->id}/coding/{$world->publication('Bed lamps')->id}";
    $this->get($at)->assertSee('none named')->assertSee('Asked of each');
    foreach (['Lamps', 'Nothing'] as $name) {
        $this->post("{$at}/parts", ['kind' => 'arm', 'name' => $name])->assertRedirect($at);
    }
    expect(array_keys(deskOf($world)))->toBe(['Country', 'Dose Lamps', 'Place Lamps', 'Dose Nothing', 'Place Nothing']);
    // twice the same is none; a kind that the codebook does not ask is none either
    $this->from($at)->post("{$at}/parts", ['kind' => 'arm', 'name' => 'lamps'])->assertSessionHas('problem');
    $this->from($at)->post("{$at}/parts", ['kind' => 'moon', 'name' => 'x'])->assertSessionHasErrors('kind');
    expect(StudyPart::query()->count())->toBe(2);
});

it('keeps an answer of each arm, and counts the study once', function () {
    $world = studyOfArms();
    $arms = [arm($world, 'Lamps')->id, arm($world, 'Nothing')->id];
    foreach ([900, 70] as $i => $lux) {
        AtTheDesk::answers($world, 'coder', 'Dose', ['value' => (string) $lux, 'from_whole' => true, 'part' => $arms[$i]])->assertOk();
        AtTheDesk::answers($world, 'coder', 'Place', ['value' => 'desk', 'part' => $arms[$i]])->assertOk();
    }
    expect(deskOf($world))->toMatchArray(['Dose Lamps' => '900 lux answered', 'Dose Nothing' => '70 lux answered']);
    $standing = DB::table('standing_answers')->where('code_id', AtTheDesk::itemOf($world, 'Place'))->get();
    expect($standing->pluck('value')->all())->toBe(['["desk"]']);
    $table = "/reviews/{$world->review->id}/coding";
    $this->get($table)->assertSeeInOrder(['Lamps: 900 lux', 'Nothing: 70 lux']);
    $dose = AtTheDesk::itemOf($world, 'Dose');
    $this->get("{$table}?item={$dose}&says=50..80")->assertSee('Bed lamps');
    $this->get("{$table}?item={$dose}&says=1000..")->assertSee('No study is like this');
    $cells = $this->getJson("{$table}/{$world->publication('Bed lamps')->id}/{$dose}")->json('slots');
    expect(array_column(array_column($cells, 'item'), 'part'))->toBe(['Lamps', 'Nothing']);
    $csv = AtTheDesk::bytes($this->get("/reviews/{$world->review->id}/exports/coding.csv"));
    expect($csv)->toContain("Lamps: 900\nNothing: 70");
});

it('is coded when every arm is', function () {
    $world = studyOfArms();
    AtTheDesk::answers($world, 'coder', 'Country', ['value' => 'Norlund'])->assertOk();
    [$lamps, $nothing] = [arm($world, 'Lamps'), arm($world, 'Nothing')];
    foreach (['Dose' => '900', 'Place' => 'desk'] as $item => $value) {
        AtTheDesk::answers($world, 'coder', $item, ['value' => $value, 'part' => $lamps->id]);
    }
    expect(CodedStudies::count($world->review))->toBe(0);
    foreach (['Dose', 'Place'] as $item) {
        AtTheDesk::answers($world, 'coder', $item, ['kind' => 'not-reported', 'part' => $nothing->id])->assertOk();
    }
    expect(CodedStudies::count($world->review))->toBe(1);
});

it('lets what was said of the study give way to what is said of an arm, and keeps it', function () {
    $world = studyOfArms();
    AtTheDesk::answers($world, 'coder', 'Dose', ['kind' => 'not-reported'])->assertOk();
    $lamps = arm($world, 'Lamps');
    expect(deskOf($world))->toMatchArray(['Dose' => 'not reported answered', 'Dose Lamps' => ' open']);
    AtTheDesk::answers($world, 'coder', 'Dose', ['value' => '900', 'part' => $lamps->id])->assertOk();
    expect(array_keys(deskOf($world)))->toBe(['Country', 'Dose Lamps', 'Place Lamps'])
        ->and(Answer::query()->where('kind', 'not-reported')->whereNotNull('superseded_at')->count())->toBe(1)
        ->and(DB::table('standing_answers')->where('code_id', AtTheDesk::itemOf($world, 'Dose'))->count())->toBe(1);
});

it('takes an arm out and puts it back with its answers', function () {
    $world = studyOfArms();
    $lamps = arm($world, 'Lamps');
    AtTheDesk::answers($world, 'coder', 'Dose', ['value' => '800', 'part' => $lamps->id]);
    AtTheDesk::answers($world, 'coder', 'Dose', ['value' => '900', 'part' => $lamps->id, 'note' => 'at the desk']);
    $at = "/reviews/{$world->review->id}/coding/{$world->publication('Bed lamps')->id}/parts/{$lamps->id}";
    $this->post($at, ['do' => 'out'])->assertRedirect();
    expect(array_keys(deskOf($world)))->toBe(['Country', 'Dose', 'Place'])
        ->and(DB::table('standing_answers')->count())->toBe(0);
    AtTheDesk::answers($world, 'coder', 'Dose', ['value' => '1', 'part' => $lamps->id])
        ->assertConflict()
        ->assertSee('taken out of this study');
    $this->post($at, ['do' => 'back'])->assertRedirect();
    expect(deskOf($world))->toMatchArray(['Dose Lamps' => '900 lux begun'])
        ->and(Answer::query()->whereNull('superseded_at')->sole()->note)->toBe('at the desk');
    $this->put($at, ['name' => 'Desk lamps'])->assertRedirect();
    expect(array_keys(deskOf($world)))->toContain('Dose Desk lamps');
});

it('lets only coders of the review name arms, and of this study only', function () {
    $world = studyOfArms();
    $lamps = arm($world, 'Lamps');
    $at = "/reviews/{$world->review->id}/coding/{$world->publication('Bed lamps')->id}";
    $this->actingAs($world->people['observer'])->post("{$at}/parts", ['kind' => 'arm', 'name' => 'x'])->assertForbidden();
    $this->put("{$at}/parts/{$lamps->id}", ['name' => 'x'])->assertForbidden();
    $this->actingAs($world->people['outsider'])->post("{$at}/parts/{$lamps->id}", ['do' => 'out'])->assertNotFound();
    $elsewhere = AtTheDesk::elsewhere($world)->id;
    $there = str_replace($world->review->id, $elsewhere, $at);
    $this->put("{$there}/parts/{$lamps->id}", ['name' => 'x'])->assertNotFound();
    $world->deliver([['TI' => 'Desk lamps', 'AB' => 'Others.']]);
    $other = "/reviews/{$world->review->id}/coding/{$world->publication('Desk lamps')->id}";
    $this->actingAs($world->people['coder'])->put("{$other}/parts/{$lamps->id}", ['name' => 'x'])->assertNotFound();
    expect($lamps->fresh()->name)->toBe('Lamps');
});

it('compares two coders arm by arm', function () {
    $world = studyOfArms();
    $this->actingAs($world->people['lead'])->put("/reviews/{$world->review->id}/codebook/terms", ['coders' => 2])->assertRedirect();
    [$lamps, $nothing] = [arm($world, 'Lamps'), arm($world, 'Nothing')];
    foreach (['coder' => [900, 70], 'anna' => [900, 80]] as $who => $doses) {
        AtTheDesk::answers($world, $who, 'Dose', ['value' => (string) $doses[0], 'part' => $lamps->id])->assertOk();
        AtTheDesk::answers($world, $who, 'Dose', ['value' => (string) $doses[1], 'part' => $nothing->id])->assertOk();
    }
    $page = $this->get("/reviews/{$world->review->id}/coding/differences")->assertSee('1 answer differs')->assertSee('arm: Nothing');
    preg_match('#action="([^"]+settlement[^"]*)"#', $page->getContent(), $found);
    $taken = Answer::query()->where('user_id', $world->people['anna']->id)->where('part_id', $nothing->id)->sole();
    $this->post(html_entity_decode($found[1]), ['take' => $taken->id])->assertRedirect();
    expect(DB::table('answers_by_part')->orderBy('id')->pluck('value', 'part_id')->all())
        ->toBe([$lamps->id => '900', $nothing->id => '80']);
});

it('proposes an answer for each arm from the columns of a table', function () {
    $world = studyOfArms();
    [$lamps, $nothing] = [arm($world, 'Lamps'), arm($world, 'Nothing')];
    $world->publication('Bed lamps')->update([
        'abstract' => "The dose was 900 lux in the lamps group and 70 lux in the nothing group.\nIt was done in Norlund.",
    ]);
    app(ProposeAnswers::class)->execute($world->review, $world->publication('Bed lamps'));
    $leads = CodingLead::query()->where('code_id', AtTheDesk::itemOf($world, 'Dose'))->get()->keyBy('part_id');
    expect([$leads[$lamps->id]->value, $leads[$nothing->id]->value])->toBe([900, 70])
        ->and($leads[$nothing->id]->quote)->toBe('The dose was 900 lux in the lamps group and 70 lux in the nothing group.');
    $id = $world->publication('Bed lamps')->id;
    $this->actingAs($world->people['coder'])->get("/reviews/{$world->review->id}/coding")->assertSeeInOrder(['Lamps: 900 lux', 'Nothing: 70 lux']);
    $this->actingAs($world->people['coder'])
        ->postJson("/reviews/{$world->review->id}/coding/{$id}/{$leads[$nothing->id]->code_id}/lead?part={$nothing->id}", ['do' => 'accept'])
        ->assertOk();
    expect(deskOf($world))->toMatchArray(['Dose Nothing' => '70 lux answered', 'Dose Lamps' => ' lead']);
});

it('moves arms along when a study is coded with another report', function () {
    $world = studyOfArms();
    $lamps = arm($world, 'Lamps');
    AtTheDesk::answers($world, 'coder', 'Dose', ['value' => '900', 'part' => $lamps->id]);
    $world->deliver([['TI' => 'Bed lamps after a year', 'AB' => 'Lamps were tried for longer.']]);
    foreach (['anna', 'ben'] as $who) {
        $world->decide($who, $world->item(1), 'include');
    }
    [$first, $later] = [$world->publication('Bed lamps'), $world->publication('Bed lamps after a year')];
    app(App\Actions\FullTexts\LinkReports::class)->execute($world->people['lead'], $world->review, [$first->id, $later->id]);
    $this->actingAs($world->people['coder'])
        ->post("/reviews/{$world->review->id}/coding/{$later->id}/carries")
        ->assertRedirect();
    expect($lamps->fresh()->publication_id)->toBe($later->id);
    $items = $this->getJson("/reviews/{$world->review->id}/coding/{$later->id}")->json('items');
    expect(array_column(array_column($items, 'answer'), 'shown'))->toContain('900 lux');
});

it('offers the arms that a table of the paper names, for a press', function () {
    $world = studyOfArms();
    AtTheDesk::copy(
        $world,
        'Table 1. People at the start',
        "Characteristic\tLamps (n = 60)\tUsual light (n = 58)",
        "Mean age in years\t41.2\t43.0",
        "Women, per cent\t70\t72",
    );
    arm($world, 'LAMPS');
    $at = "/reviews/{$world->review->id}/coding/{$world->publication('Bed lamps')->id}";
    $this->actingAs($world->people['coder'])->get($at)->assertSee('+ Usual light')->assertDontSee('+ Lamps');
    $this->post("{$at}/parts", ['kind' => 'arm', 'name' => 'Usual light'])->assertRedirect($at);
    $this->get($at)->assertDontSee('In its tables');
});
