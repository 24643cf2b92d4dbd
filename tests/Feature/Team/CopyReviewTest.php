<?php

namespace Tests\Feature\Team;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Question\ChangeCriteria;
use App\Models\CodebookItem;
use App\Models\Review;
use Illuminate\Support\Facades\DB;
use Tests\Feature\Coding\AtTheDesk;
use Tests\Feature\Synthesis\AtSynthesis;

it('starts a review that is set up like another, with none of its data and none of its people', function () {
    $at = AtSynthesis::with('Aster');
    $at->counts('Aster', 7, 86, 15, 85);
    [$lead, $from] = [$at->world->people['lead'], $at->world->review];
    app(ChangeCodebook::class)->addAll($lead, $from, [AtTheDesk::asked('Lux'), AtTheDesk::asked('Gone')]);
    CodebookItem::query()->where('label', 'Gone')->update(['retired_at' => now()]);
    $kept = app(ChangeCriteria::class)->add($lead, $from, 'Is it about lamps?', 'Not about lamps');
    $from->stages()->orderBy('position')->first()->update(['closed_at' => now(), 'closed_by' => $lead->id, 'criteria' => [$kept->id]]);
    $url = "/reviews/{$from->id}/copies";
    $this->actingAs($at->world->people['anna'])->post($url, ['title' => 'Naps'])->assertForbidden();
    $this->actingAs($lead)->post($url, ['title' => ''])->assertSessionHasErrors('title');
    $this->post($url, ['title' => 'Naps at night'])->assertRedirect();
    $copy = Review::query()->where('title', 'Naps at night')->sole();
    $of = fn (string $table, string $column, string $review): array => DB::table($table)->where('review_id', $review)->orderBy($column)->pluck($column)->all();
    foreach (['stages' => 'name', 'criteria' => 'question', 'outcomes' => 'name', 'arms' => 'name'] as $table => $column) {
        expect($of($table, $column, $copy->id))->toBe($of($table, $column, $from->id), $table)
            ->and(array_intersect($of($table, 'id', $copy->id), $of($table, 'id', $from->id)))->toBe([], $table);
    }
    $stage = $copy->stages()->orderBy('position')->first();
    $criterion = DB::table('criteria')->where('review_id', $copy->id)->where('question', 'Is it about lamps?')->value('id');
    expect($of('codes', 'label', $copy->id))->toContain('Lux')->not->toContain('Gone')
        ->and($stage->closed_at)->toBeNull()
        ->and($stage->criteria)->toBe([$criterion])
        ->and($copy->question)->toBe($from->fresh()->question)
        ->and($of('memberships', 'user_id', $copy->id))->toBe([$lead->id]);
    foreach (['records', 'publications', 'items', 'decisions', 'answers', 'results'] as $table) {
        expect(DB::table($table)->where('review_id', $copy->id)->count())->toBe(0, $table);
    }
    $this->get("/reviews/{$copy->id}/question")->assertOk();
    $this->get("/reviews/{$copy->id}/codebook")->assertOk()->assertSee('Lux');
});
