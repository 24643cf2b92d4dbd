<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Language;

/** What publications show; their records keep the language as it was delivered. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (DB::table('publications')->where('language', '<>', '')->distinct()->pluck('language') as $written) {
            $named = mb_substr(Language::named($written), 0, 200);
            if ($named !== $written) {
                DB::table('publications')->where('language', $written)->update(['language' => $named]);
            }
        }
    }
};
