<?php

use App\Files\Out\SvgPicture;
use App\Http\Controllers\Report\ComposerController;
use App\Http\Controllers\Report\LogController;
use App\Http\Controllers\Report\ReadingLinkController;
use App\Http\Controllers\Report\ReportController;
use App\Http\Controllers\Report\ReportVersionController;
use App\Http\Controllers\Report\WorkDiagramController;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\ShowWhoAgain;
use App\Http\Middleware\WritesDownTakingOut;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/report', [ReportController::class, 'show'])->name('report');
    Route::get('/report/text', [ComposerController::class, 'show'])->middleware('throttle:query')->name('report.text');
    Route::post('/report/text/exchange', [ComposerController::class, 'exchange'])->name('report.exchange');
    Route::get('/report/text.{format}', [ComposerController::class, 'download'])
        ->whereIn('format', ['html', 'md'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('report.download');
    Route::get('/report/links', [ReadingLinkController::class, 'index'])->name('report.links');
    Route::get('/report/text/written', [ReportVersionController::class, 'written'])
        ->middleware('throttle:dear')
        ->name('report.written');
    Route::get('/report/work', [WorkDiagramController::class, 'show'])->name('report.work');
    Route::get('/report/work.{format}', [WorkDiagramController::class, 'download'])
        ->whereIn('format', array_keys(SvgPicture::TYPES))
        ->middleware('throttle:dear')
        ->name('report.work.download');
    Route::get('/report/text/changes', [ReportVersionController::class, 'compare'])
        ->middleware('throttle:query')
        ->name('report.changes');
    Route::get('/report/text/standing', [ComposerController::class, 'standing'])
        ->middleware('throttle:query')
        ->name('report.standing');
    Route::get('/report/text/draft', [ComposerController::class, 'draft'])
        ->middleware('throttle:query')
        ->name('report.draft');
    Route::get('/report/text/evidence', [ComposerController::class, 'evidence'])
        ->middleware('throttle:query')
        ->name('report.evidence');
    Route::get('/report/flow.{format}', [ReportController::class, 'flow'])
        ->whereIn('format', ['svg', 'png', 'pdf', 'csv'])
        ->middleware('throttle:dear')
        ->name('report.flow');
    Route::get('/log', [LogController::class, 'show'])
        ->middleware('throttle:query')
        ->name('log');
    Route::get('/log/export.{format}', [LogController::class, 'export'])
        ->whereIn('format', ['csv', 'xlsx'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('log.export');
});

Route::middleware('can:write,review')->group(function (): void {
    Route::post('/report/text', [ComposerController::class, 'begin'])->name('report.begin');
    Route::post('/report/text/blocks', [ComposerController::class, 'block'])
        ->middleware('throttle:query')
        ->name('report.blocks');
    Route::post('/report/text/remarks/{thread}', [ComposerController::class, 'remark'])
        ->where('thread', '[0-9a-z]{26}')
        ->name('report.remark');
    Route::put('/report/text/claims/{claim}', [ComposerController::class, 'claim'])
        ->where('claim', '[0-9a-z]{26}')
        ->name('report.claims');
    Route::put('/report/text/style', [ComposerController::class, 'style'])->name('report.style');
    Route::post('/report/text/versions', [ReportVersionController::class, 'store'])->name('report.versions');
});

Route::middleware('can:manage,review')->group(function (): void {
    Route::put('/report/work', [WorkDiagramController::class, 'word'])->name('report.work.word');
    Route::post('/report/versions-of-review', [ReportController::class, 'closeVersion'])->name('report.versions.close');
    Route::delete('/report/versions-of-review', [ReportController::class, 'takeBackVersion'])->name('report.versions.back');
    Route::post('/report/links', [ReadingLinkController::class, 'store'])
        ->middleware(ShowWhoAgain::class)
        ->name('report.links.store');
    Route::post('/report/comments/{readerComment}/seen-to', [ReadingLinkController::class, 'seenTo'])->name('report.comments.seen');
    Route::post('/report/links/{link}/revoke', [ReadingLinkController::class, 'revoke'])->name('report.links.revoke');
    Route::put('/report/flow', [ReportController::class, 'word'])->name('report.word');
});
