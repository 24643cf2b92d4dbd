<?php

use App\Http\Controllers\Screening\DeskController;
use App\Http\Controllers\Screening\DisagreementController;
use App\Http\Controllers\Screening\MarkListController;
use App\Http\Controllers\Screening\ReadingOrderController;
use App\Http\Controllers\Screening\ScreeningController;
use App\Http\Controllers\Screening\ShareOutController;
use App\Http\Controllers\Screening\StageController;
use App\Http\Middleware\MayBeAMomentOld;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/screening', [ScreeningController::class, 'show'])->name('screening');
    Route::get('/screening/stages', [StageController::class, 'index'])->name('stages');
    Route::get('/screening/share-outs', [ShareOutController::class, 'index'])
        ->middleware('throttle:query')
        ->name('share-outs');
    Route::get('/screening/marked-words', [MarkListController::class, 'index'])->name('marks');
    Route::get('/screening/order', [ReadingOrderController::class, 'show'])->name('reading-order');
    Route::get('/screening/agreement', [ScreeningController::class, 'agreement'])->name('agreement');
    Route::get('/screening/disagreements', [DisagreementController::class, 'index'])->name('disagreements');
    Route::get('/screening/disagreements/{item}', [DisagreementController::class, 'index'])->name(
        'disagreements.show',
    );
});

Route::middleware('can:manage,review')->group(function (): void {
    Route::post('/screening/stages', [StageController::class, 'store'])->name('stages.store');
    Route::put('/screening/stages/{stage}', [StageController::class, 'update'])->name('stages.update');
    Route::post('/screening/stages/{stage}/close', [StageController::class, 'close'])->name('stages.close');
    Route::post('/screening/stages/{stage}/target', [StageController::class, 'target'])->name('stages.target');
    Route::post('/screening/stages/{stage}/carry', [StageController::class, 'carry'])->name('stages.carry');
    Route::delete('/screening/stages/{stage}', [StageController::class, 'destroy'])->name('stages.destroy');
    Route::post('/screening/stages/{stage}/order', [ReadingOrderController::class, 'order'])->name(
        'reading-order.set',
    );
    Route::post('/screening/stages/{stage}/checks', [ReadingOrderController::class, 'drawCheck'])->name(
        'reading-order.check',
    );
    Route::post('/screening/share-outs', [ShareOutController::class, 'store'])->name('share-outs.store');
    Route::post('/screening/share-outs/{shareOut}/withdraw', [ShareOutController::class, 'withdraw'])->name(
        'share-outs.withdraw',
    );
    Route::post('/screening/stages/{stage}/hand-on', [ShareOutController::class, 'handOn'])->name(
        'share-outs.hand-on',
    );
});

Route::middleware('can:screen,review')->group(function (): void {
    Route::post('/screening/marked-words', [MarkListController::class, 'store'])->name('marks.store');
    Route::put('/screening/marked-words/{markList}', [MarkListController::class, 'update'])->name(
        'marks.update',
    );
    Route::delete('/screening/marked-words/{markList}', [MarkListController::class, 'destroy'])->name(
        'marks.destroy',
    );
    Route::get('/screening/desk', [DeskController::class, 'show'])
        ->middleware('throttle:query')
        ->name('desk');
    Route::get('/screening/mine', [DeskController::class, 'mine'])->name('mine');
    Route::get('/screening/desk/ahead', [DeskController::class, 'ahead'])
        ->middleware('throttle:query')
        ->name('desk.ahead');
    Route::get('/screening/desk/{item}', [DeskController::class, 'show'])->name('desk.show');
    Route::get('/screening/items/{item}', [DeskController::class, 'item'])->name('desk.item');
    Route::get('/screening/items/{item}/why', [DeskController::class, 'why'])->name('desk.why');
    Route::post('/screening/items/{item}/tags', [DeskController::class, 'tag'])->name('desk.tag');
    Route::post('/screening/items/{item}/talk', [DeskController::class, 'talk'])->name('desk.talk');
    Route::post('/screening/items/{item}/decision', [DeskController::class, 'decide'])->name('desk.decide');
    Route::delete('/screening/items/{item}/decision', [DeskController::class, 'takeBack'])->name(
        'desk.take-back',
    );
    Route::post('/screening/disagreements/{item}/talk', [DisagreementController::class, 'talk'])->name(
        'talk.store',
    );
    Route::post('/screening/disagreements', [DisagreementController::class, 'together'])->name(
        'disagreements.together',
    );
    Route::post('/screening/disagreements/{item}/rethink', [DisagreementController::class, 'rethink'])->name(
        'disagreements.rethink',
    );
    Route::post('/screening/disagreements/{item}/proposal', [DisagreementController::class, 'propose'])->name(
        'disagreements.propose',
    );
});

Route::post('/screening/disagreements/{item}/settlement', [DisagreementController::class, 'settle'])
    ->can('screen', 'review')
    ->name('disagreements.settle');
