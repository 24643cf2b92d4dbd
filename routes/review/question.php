<?php

use App\Http\Controllers\Question\QuestionController;
use App\Http\Middleware\MayBeAMomentOld;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/question', [QuestionController::class, 'show'])->name('question');
});

Route::middleware('can:manage,review')->group(function (): void {
    Route::put('/question', [QuestionController::class, 'update'])->name('question.update');
    Route::post('/criteria', [QuestionController::class, 'addCriterion'])->name('criteria.store');
    Route::put('/criteria/{criterion}', [QuestionController::class, 'changeCriterion'])->name(
        'criteria.update',
    );
    Route::get('/criteria/{criterion}/older', [QuestionController::class, 'older'])->name('criteria.older');
    Route::post('/criteria/{criterion}/again', [QuestionController::class, 'sendRound'])->name(
        'criteria.again',
    );
});
