<?php

use App\Http\Controllers\FullTexts\FullTextController;
use App\Http\Controllers\FullTexts\RetrievalController;
use App\Http\Controllers\FullTexts\StudyController;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\WritesDownTakingOut;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/full-texts', [RetrievalController::class, 'index'])->name('full-texts');
    Route::get('/full-texts/unassigned', [FullTextController::class, 'unassigned'])->name(
        'full-texts.unassigned',
    );
    Route::get('/full-texts/files/{fullText}', [FullTextController::class, 'show'])
        ->middleware(WritesDownTakingOut::class)
        ->name('full-texts.file');
    Route::get('/full-texts/files/{fullText}/standing', [FullTextController::class, 'standing'])->name(
        'full-texts.standing',
    );
    Route::get('/full-texts/files/{fullText}/evidence', [FullTextController::class, 'evidence'])->name(
        'full-texts.evidence',
    );
    Route::get('/full-texts/studies', [StudyController::class, 'index'])->name('studies');
});

Route::middleware('can:obtain,review')->group(function (): void {
    Route::get('/full-texts/retrievals', [RetrievalController::class, 'all'])->name('retrievals.all');
    Route::post('/full-texts/retrievals', [RetrievalController::class, 'set'])->name('retrievals.set');
    Route::post('/full-texts/locker', [RetrievalController::class, 'askLocker'])
        ->middleware('throttle:dear')
        ->name('retrievals.locker');
    Route::post('/full-texts/files', [FullTextController::class, 'store'])
        ->middleware('throttle:upload')
        ->name('full-texts.store');
    Route::post('/full-texts/shelf', [FullTextController::class, 'fromShelf'])
        ->middleware('throttle:dear')
        ->name('full-texts.shelf');
    Route::post('/full-texts/pictures', [FullTextController::class, 'allPictures'])->name('full-texts.pictures.all');
    Route::post('/full-texts/files/{fullText}/pictures', [FullTextController::class, 'pictures'])->name(
        'full-texts.pictures',
    );
    Route::post('/full-texts/files/{fullText}/better', [FullTextController::class, 'better'])->name(
        'full-texts.better',
    );
    Route::post('/full-texts/files/{fullText}/use-again', [FullTextController::class, 'useAgain'])->name(
        'full-texts.use-again',
    );
    Route::post('/full-texts/files/{fullText}/assign', [FullTextController::class, 'assign'])->name(
        'full-texts.assign',
    );
    Route::post('/full-texts/files/{fullText}/take-off', [FullTextController::class, 'takeOff'])->name(
        'full-texts.take-off',
    );
    Route::post('/full-texts/files/{fullText}/take-out', [FullTextController::class, 'takeOut'])->name(
        'full-texts.take-out',
    );
    Route::post('/full-texts/studies', [StudyController::class, 'link'])->name('studies.link');
    Route::put('/full-texts/studies/{study}', [StudyController::class, 'rename'])->name('studies.rename');
    Route::delete('/full-texts/reports/{publication}', [StudyController::class, 'takeOut'])->name(
        'studies.take-out',
    );
});

Route::post('/coding/{publication}/carries', [StudyController::class, 'carry'])
    ->can('code', 'review')
    ->name('coding.carries');
