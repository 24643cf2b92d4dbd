<?php

use App\Http\Controllers\Deliveries\DeliveryController;
use App\Http\Controllers\Deliveries\ReferenceListController;
use App\Http\Middleware\MayBeAMomentOld;
use App\Http\Middleware\WritesDownTakingOut;
use Illuminate\Support\Facades\Route;

Route::middleware(['can:view,review', MayBeAMomentOld::class])->group(function (): void {
    Route::get('/deliveries', [DeliveryController::class, 'index'])->name('deliveries');
    Route::get('/deliveries/references', [ReferenceListController::class, 'index'])->name('deliveries.references');
    Route::get('/deliveries/{delivery}', [DeliveryController::class, 'show'])->name('deliveries.show');
    Route::get('/deliveries/{delivery}/rejected', [DeliveryController::class, 'rejected'])
        ->middleware(['throttle:dear', WritesDownTakingOut::class])
        ->name('deliveries.rejected');
});

Route::middleware('can:deliver,review')->group(function (): void {
    Route::post('/deliveries', [DeliveryController::class, 'store'])
        ->middleware('throttle:upload')
        ->name('deliveries.store');
    Route::post('/deliveries/references', [ReferenceListController::class, 'store'])
        ->middleware('throttle:dear')
        ->name('deliveries.references.take');
    Route::post('/deliveries/{delivery}/columns', [DeliveryController::class, 'columns'])->name(
        'deliveries.columns',
    );
    Route::post('/deliveries/{delivery}/read', [DeliveryController::class, 'read'])->name('deliveries.read');
    Route::put('/deliveries/{delivery}/kind', [DeliveryController::class, 'kind'])->name('deliveries.kind');
    Route::post('/deliveries/{delivery}/withdraw', [DeliveryController::class, 'withdraw'])->name(
        'deliveries.withdraw',
    );
    Route::post('/deliveries/{delivery}/letters', [DeliveryController::class, 'letters'])->name(
        'deliveries.letters',
    );
    Route::post('/deliveries/{delivery}/rejections/{rejection}', [DeliveryController::class, 'mend'])->name(
        'deliveries.mend',
    );
    Route::post('/deliveries/{delivery}/rejected', [DeliveryController::class, 'readAgain'])
        ->middleware('throttle:dear')
        ->name('deliveries.read-again');
    Route::post('/deliveries/{delivery}/go-on', [DeliveryController::class, 'goOn'])->name('deliveries.go-on');
});
