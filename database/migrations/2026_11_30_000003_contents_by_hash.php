<?php

declare(strict_types=1);

use App\Models\Contents;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Files on their way to machines lie by their hash, with all other large contents; what lies in columns stays there until it is stored again. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('sendings', static function (Blueprint $table): void {
            $table->string('content', 64)->nullable();
        });
        $folder = storage_path('app/sendings');
        foreach (DB::table('sendings')->pluck('id') as $id) {
            if (is_file("{$folder}/{$id}.bin")) {
                DB::table('sendings')->where('id', $id)->update(['content' => Contents::put((string) file_get_contents("{$folder}/{$id}.bin"))]);
            }
        }
    }

    public function down(): void
    {
        Schema::table('sendings', static function (Blueprint $table): void {
            $table->dropColumn('content');
        });
    }
};
